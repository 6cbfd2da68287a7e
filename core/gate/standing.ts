import type { CanonicalEvent } from '../events/schema.ts'

/** What a platform says of a viewer's subscription; null: it does not. */
export interface Standing {
  tier: number | null
  months: number | null
}

/** Kinds of event that say so. */
export const memberships = ['subscription', 'resubscription', 'membership', 'membershipRenewal'] as const

/** What an event of these kinds says. */
export const standingOf = ({ data }: Pick<CanonicalEvent, 'data'>): Standing => ({
  tier: 'tier' in data ? data.tier : 1,
  months: 'months' in data ? data.months : 1,
})
