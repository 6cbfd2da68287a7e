import { minorDigits } from '../../../core/minorDigits.ts'
import { formatMoney, formatWholeMoney, parseDecimalAmount } from '../../../core/money.ts'
import type { AskedTip } from '../../../core/tip/checkTip.ts'

/** What somebody has typed on a tip page: kept in this browser until it is paid. */
export interface TypedTip {
  /** A preset in minor units; null: what is typed. */
  presetMinor: number | null
  other: string
  name: string
  message: string
  choice: string | null
  /** What was sent last, and under which id: the same sent again is the same tip. */
  sent: { id: string; of: string } | null
}

/** An amount as people type it, with a point or a comma; 0 for what is none. */
export function amountOf(text: string, currency: string): number {
  const plain = text.replace(/[^\d.,]/g, '').replace(',', '.')
  const read = parseDecimalAmount(plain, currency)
  return read.ok ? read.value : 0
}

export const askedOf = ({ presetMinor, other, name, message, choice }: TypedTip, currency: string): AskedTip => ({
  ...{ amountMinor: presetMinor ?? amountOf(other, currency), currency, name, message, choice },
})

/** An amount that is offered: without zeros behind the point. */
export const shortMoney = (amountMinor: number, currency: string, locale: string): string =>
  amountMinor % 10 ** minorDigits(currency) === 0
    ? formatWholeMoney(amountMinor, currency, locale)
    : formatMoney(amountMinor, currency, locale)

/** An id that nobody guesses; also where the page came without encryption, where browsers make none. */
export const newRequestId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('')
