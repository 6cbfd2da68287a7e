import { byText } from '../byText.ts'
import { comparableMinor, type ChannelContext } from '../rules/values.ts'
import { formatMoney } from '../money.ts'
import type { Row } from './slice.ts'

/** What a viewer gave in one currency. */
export interface Given {
  viewerId: string
  name: string
  amountMinor: number
  currency: string
}

/** Who gave most, by the channel’s rates; money without a rate is left out. Alike ones by name. Linear, and a sort. */
export function topRows(
  given: readonly Given[],
  most: number,
  { currency, rates, locale }: Pick<ChannelContext, 'currency' | 'rates'> & { locale: string },
): Row[] {
  const byViewer = new Map<string, { name: string; amount: number }>()
  for (const each of given) {
    const amount = comparableMinor(each.amountMinor, each.currency, { currency, rates })
    if (amount === undefined) continue
    const known = byViewer.get(each.viewerId)
    byViewer.set(each.viewerId, { name: each.name, amount: amount + (known?.amount ?? 0) })
  }
  return [...byViewer]
    .filter(([, { amount }]) => amount > 0)
    .sort(([, a], [, b]) => b.amount - a.amount || byText(a.name, b.name))
    .slice(0, most)
    .map(([id, { name, amount }]) => ({
      ...{ id, name, atMs: null, nameInk: null, roles: [] },
      pieces: [{ text: formatMoney(amount, currency, locale), isValue: true }],
    }))
}
