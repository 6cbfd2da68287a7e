import { feedSource } from '../../core/events/feedSource.ts'
import type { Translation } from '../feeds/adapter.ts'
import { tipOfSlip } from '../feeds/adapters/till/till.ts'
import type { CheckoutRow } from '../db/queries/tips.ts'

/** What the tip of a checkout is called where it comes from: paid twice, it is the same event. */
export const tipExternalId = (checkoutId: string): string => `tip-${checkoutId}`

/** The checkout that a tip was paid with; null: another way. */
export const checkoutOfTip = (externalId: string): string | null =>
  /^tip-(checkout-[a-z0-9]+)$/.exec(externalId)?.[1] ?? null

/** The tip that a paid checkout is. What was paid counts, not what was asked for. */
export const tipEventOf = (
  { id, feedId, name, message, choice }: CheckoutRow,
  paid: { amountMinor: number; currency: string; at: string },
): Translation['events'][number] =>
  tipOfSlip(
    {
      ...{ does: 'tip', slip: id, at: paid.at, amount: paid.amountMinor, currency: paid.currency },
      ...{ from: name === '' ? null : name, note: message, picked: choice ?? undefined },
    },
    feedSource(feedId),
  )
