import * as z from 'zod'
import { minorDigits } from '../minorDigits.ts'

/** The most that is taken in one tip, in minor units, whatever a page says: a slip of a finger is no fortune. */
const mostTaken = 10_000_000
const amount = z.int().min(1).max(mostTaken)

export const presetsMax = 6
export const lettersMax = 500

/** What a channel says on its tip page, and what it takes there. Amounts are minor units of the channel's currency. */
export const tipPage = z
  .object({
    isOpen: z.boolean(),
    title: z.string().trim().min(1, 'the page has a title').max(60),
    about: z.string().trim().max(300),
    /** What one press gives, the smallest first. */
    presets: z.array(amount).min(1, 'at least one amount is offered').max(presetsMax),
    leastMinor: amount,
    mostMinor: amount,
    /** How long a message may be, in letters as readers count them. 0: there is none. */
    lettersMost: z.int().min(0).max(lettersMax),
    /** From this amount on viewers choose what the alert lets them choose. */
    offerFromMinor: z.int().min(0).max(mostTaken),
    /** Whose bar the page shows; null: of the goal that runs and counts tips. */
    goalId: z.string().max(60).nullable(),
    /** Whether it says what was left last. */
    showsLast: z.boolean(),
    /** Within so many days what was given is given back when asked for; 0: nothing is said of it. */
    returnDays: z.int().min(0).max(365),
    /** The chat command that answers with the page's address; empty: none. */
    word: z.string().max(40),
  })
  .superRefine(({ presets, leastMinor, mostMinor }, context) => {
    const fault = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message })
    if (mostMinor < leastMinor) fault('mostMinor', 'the most that is taken is not below the least')
    if (presets.some((each) => each < leastMinor || each > mostMinor))
      fault('presets', 'what one press gives lies between the least and the most that is taken')
    if (presets.some((each, at) => at > 0 && each <= (presets[at - 1] ?? 0)))
      fault('presets', 'each amount is offered once, the smallest first')
  })
export type TipPage = z.infer<typeof tipPage>

/** What a page begins with. @param currency the channel's, ISO 4217 */
export function usualTipPage(channelName: string, currency: string): TipPage {
  // Where a currency has no cents, a hundred of it is worth about what one is elsewhere.
  const unit = 10 ** Math.max(2, minorDigits(currency))
  return {
    isOpen: false,
    title: `Leave something for ${channelName}`.slice(0, 60).trim(),
    about: '',
    presets: [3, 5, 25, 50].map((whole) => whole * unit),
    leastMinor: 2 * unit,
    mostMinor: Math.min(mostTaken, 1_000 * unit),
    ...{ lettersMost: 200, offerFromMinor: 0, goalId: null, showsLast: true, returnDays: 14, word: 'tip' },
  }
}
