import {
  BadgeCheck,
  CalendarHeart,
  Coins,
  DoorOpen,
  Flag,
  FlagTriangleRight,
  Footprints,
  Gift,
  Hand,
  HandHeart,
  Handshake,
  Hash,
  IdCard,
  MessageCircle,
  MessageSquareQuote,
  PackageOpen,
  RefreshCw,
  ShoppingBag,
  Ticket,
  TrendingDown,
  TrendingUp,
  Waves,
} from '@lucide/vue'
import type { Component } from 'vue'
import type { KindMark } from '../../core/events/kindMarkNames.ts'
import { kindOf, type EventKind } from '../../core/events/kinds.ts'

/** The marks of kinds of event. Kinds have no colour: colour is left to mean state. */
const marks: Record<KindMark, Component> = {
  steps: Footprints,
  calendar: CalendarHeart,
  again: RefreshCw,
  gift: Gift,
  parcel: PackageOpen,
  card: IdCard,
  badge: BadgeCheck,
  coins: Coins,
  quote: MessageSquareQuote,
  givingHand: HandHeart,
  hand: Hand,
  door: DoorOpen,
  bag: ShoppingBag,
  waves: Waves,
  up: TrendingUp,
  down: TrendingDown,
  flag: Flag,
  handshake: Handshake,
  flagTriangle: FlagTriangleRight,
  ticket: Ticket,
  hash: Hash,
  bubble: MessageCircle,
}

/** How a kind of event is marked. */
export const markOf = (kind: EventKind): Component => marks[kindOf(kind).mark]
