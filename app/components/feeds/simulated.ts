import type { EventKind } from '../../../core/events/kinds.ts'

/** The number that a kind is mostly about, as the simulator lets it be chosen. */
export interface MainNumber {
  /** Where it stands in the event. */
  field: string
  label: string
  unit: string
  usual: number
  most: number
  /** How many of the event's own units one of those shown is. */
  per: number
}

const months: MainNumber = { field: 'months', label: 'Months', unit: 'months', usual: 12, most: 999, per: 1 }
const amount: MainNumber = { field: 'amountMinor', label: 'Amount', unit: 'EUR', usual: 25, most: 1_000_000, per: 100 }

export const mainNumber: Partial<Record<EventKind, MainNumber>> = {
  resubscription: months,
  membershipRenewal: months,
  tip: amount,
  paidMessage: amount,
  charityDonation: amount,
  purchase: amount,
  giftBatch: { field: 'count', label: 'Gifts', unit: 'gifts', usual: 5, most: 1000, per: 1 },
  applause: { field: 'points', label: 'Points', unit: 'points', usual: 500, most: 1_000_000, per: 1 },
  raid: { field: 'partySize', label: 'Party', unit: 'guests', usual: 64, most: 1_000_000, per: 1 },
}
