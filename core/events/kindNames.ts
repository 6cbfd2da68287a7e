import type { EventKind } from './kinds.ts'

/** How each kind is called, in the interface and in sentences. */
export const kindNames: Record<EventKind, string> = {
  follow: 'Follow',
  subscription: 'Subscription',
  resubscription: 'Resub',
  giftBatch: 'Gifts',
  giftRecipient: 'Gift received',
  membership: 'Membership',
  membershipRenewal: 'Membership renewed',
  tip: 'Tip',
  paidMessage: 'Paid message',
  charityDonation: 'Charity donation',
  applause: 'Applause',
  raid: 'Raid',
  purchase: 'Purchase',
  surgeStarted: 'Surge starts',
  surgeLevelled: 'Surge level',
  surgeEnded: 'Surge ends',
  goalStarted: 'Goal starts',
  goalReached: 'Goal reached',
  redemption: 'Redemption',
  chatCommand: 'Chat command',
  chatMessage: 'Chat message',
}
