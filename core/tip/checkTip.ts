import { formatMoney } from '../money.ts'
import { cleanText } from '../text/cleanText.ts'
import { graphemes } from '../text/graphemes.ts'
import type { TipPage } from './page.ts'

/** What somebody wants to leave. */
export interface AskedTip {
  amountMinor: number
  currency: string
  /** Empty: nobody is named. */
  name: string
  /** Empty: there is none. */
  message: string
  /** What was chosen of what the alert offers; null: nothing. */
  choice: string | null
}

export interface TipFault {
  path: keyof AskedTip
  message: string
}

export const nameLettersMax = 50

export const lettersOf = (text: string): number => graphemes(text.trim()).length

/**
 * What of a tip the page does not take, in words for whoever leaves it. Pure; linear in the letters.
 * @param choices what may be chosen with this amount; see `choicesFor`
 */
export function tipFaults(
  page: TipPage,
  asked: AskedTip,
  { currency, locale, choices }: { currency: string; locale: string; choices: readonly string[] },
): TipFault[] {
  const faults: TipFault[] = []
  const fault = (path: keyof AskedTip, message: string) => faults.push({ path, message })
  const money = (minor: number) => formatMoney(minor, currency, locale)
  const { amountMinor } = asked
  if (asked.currency !== currency) fault('currency', `Only ${currency} is taken here.`)
  if (!Number.isSafeInteger(amountMinor) || amountMinor < page.leastMinor)
    fault('amountMinor', `The least that is taken is ${money(page.leastMinor)}.`)
  else if (amountMinor > page.mostMinor) fault('amountMinor', `The most that is taken is ${money(page.mostMinor)}.`)
  if (lettersOf(asked.name) > nameLettersMax) fault('name', `A name has at most ${nameLettersMax} letters.`)
  if (lettersOf(asked.message) > page.lettersMost)
    fault(
      'message',
      page.lettersMost === 0
        ? 'No messages are taken here.'
        : `A message has at most ${page.lettersMost} letters; this one has ${lettersOf(asked.message)}.`,
    )
  if (asked.choice !== null && !choices.includes(asked.choice))
    fault('choice', 'This cannot be chosen any more, or not with this amount.')
  return faults
}

/** A tip as it is kept: without blanks around it, and without what no line of text holds. */
export const cleanTip = (asked: AskedTip): AskedTip => ({
  ...asked,
  name: cleanText(asked.name).replace(/\s+/gu, ' ').trim(),
  message: cleanText(asked.message).trim(),
})

/** What may be chosen with an amount, of what the alert offers. */
export const choicesFor = (
  { offerFromMinor }: Pick<TipPage, 'offerFromMinor'>,
  amountMinor: number,
  offered: readonly { id: string }[],
): string[] => (amountMinor >= offerFromMinor ? offered.map(({ id }) => id) : [])
