import {
  BadgeCheck, CalendarHeart, Coins, DoorOpen, Flag, FlagTriangleRight, Footprints, Gift, Hand, HandHeart, Hash, IdCard, MessageSquareQuote, PackageOpen, RefreshCw,
  ShoppingBag, Ticket, TrendingDown, TrendingUp, Waves,
} from '@lucide/vue'
import type { Component } from 'vue'
import type { EventKind } from '../../core/events/kinds.ts'

/** How a kind of event is called and marked. Kinds have no colour: colour is left to mean state. */
export interface KindLook {
  name: string
  mark: Component
}

export const kindLook: Record<EventKind, KindLook> = {
  follow: { name: 'Follow', mark: Footprints },
  subscription: { name: 'Subscription', mark: CalendarHeart },
  resubscription: { name: 'Resub', mark: RefreshCw },
  giftBatch: { name: 'Gifts', mark: Gift },
  giftRecipient: { name: 'Gift received', mark: PackageOpen },
  membership: { name: 'Membership', mark: IdCard },
  membershipRenewal: { name: 'Membership renewed', mark: BadgeCheck },
  tip: { name: 'Tip', mark: Coins },
  paidMessage: { name: 'Paid message', mark: MessageSquareQuote },
  charityDonation: { name: 'Charity donation', mark: HandHeart },
  applause: { name: 'Applause', mark: Hand },
  raid: { name: 'Raid', mark: DoorOpen },
  purchase: { name: 'Purchase', mark: ShoppingBag },
  surgeStarted: { name: 'Surge starts', mark: Waves },
  surgeLevelled: { name: 'Surge level', mark: TrendingUp },
  surgeEnded: { name: 'Surge ends', mark: TrendingDown },
  goalStarted: { name: 'Goal starts', mark: Flag },
  goalReached: { name: 'Goal reached', mark: FlagTriangleRight },
  redemption: { name: 'Redemption', mark: Ticket },
  chatCommand: { name: 'Chat command', mark: Hash },
}
