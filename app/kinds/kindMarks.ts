import {
  BadgeCheck, CalendarHeart, Coins, DoorOpen, Flag, FlagTriangleRight, Footprints, Gift, Hand, HandHeart, Hash, IdCard, MessageCircle, MessageSquareQuote, PackageOpen,
  RefreshCw, ShoppingBag, Ticket, TrendingDown, TrendingUp, Waves,
} from '@lucide/vue'
import type { Component } from 'vue'
import type { EventKind } from '../../core/events/kinds.ts'

/** How a kind of event is marked. Kinds have no colour: colour is left to mean state. */
export const kindMarks: Record<EventKind, Component> = {
  follow: Footprints,
  subscription: CalendarHeart,
  resubscription: RefreshCw,
  giftBatch: Gift,
  giftRecipient: PackageOpen,
  membership: IdCard,
  membershipRenewal: BadgeCheck,
  tip: Coins,
  paidMessage: MessageSquareQuote,
  charityDonation: HandHeart,
  applause: Hand,
  raid: DoorOpen,
  purchase: ShoppingBag,
  surgeStarted: Waves,
  surgeLevelled: TrendingUp,
  surgeEnded: TrendingDown,
  goalStarted: Flag,
  goalReached: FlagTriangleRight,
  redemption: Ticket,
  chatCommand: Hash,
  chatMessage: MessageCircle,
}
