import * as z from 'zod'

/** Every kind of event that the outside contract names. */
export const eventKinds = [
  'follow',
  'subscription',
  'resubscription',
  'giftBatch',
  'giftRecipient',
  'membership',
  'membershipRenewal',
  'tip',
  'paidMessage',
  'charityDonation',
  'applause',
  'raid',
  'purchase',
  'surgeStarted',
  'surgeLevelled',
  'surgeEnded',
  'goalStarted',
  'goalReached',
  'redemption',
  'chatCommand',
  'chatMessage',
] as const
export const eventKind = z.enum(eventKinds)
export type EventKind = z.infer<typeof eventKind>
