import * as z from 'zod'
import { cleanMarkedText, cleanText } from '../text/cleanText.ts'

/** What the data of events is made of. */
export const words = (maximum: number) => z.string().max(maximum).transform(cleanText)
export const count = z.int().min(0).max(1_000_000_000)
export const tier = z.int().min(1).max(3)
export const currency = z.string().regex(/^[A-Z]{3}$/, 'a currency is three capital letters (ISO 4217)')

export const viewer = z.object({
  id: words(200).pipe(z.string().min(1)),
  name: words(500),
  roles: z.array(words(40)).max(20).optional(),
  /** The colour that the viewer chose for their name, `#RRGGBB`. */
  colour: z
    .string()
    .regex(/^#[0-9a-fA-F]{6}$/)
    .optional(),
  pictureUrl: z
    .url({ protocol: /^https?$/ })
    .max(2000)
    .optional(),
})

/**
 * Where an emote's picture is: on the platform's servers, or in the address itself. Shown as a picture only, so nothing
 * in it can run.
 */
export const emoteUrl = z.union([
  z.url({ protocol: /^https?$/ }).max(2000),
  z
    .string()
    .max(4000)
    .regex(/^data:image\/(svg\+xml|png|gif|webp)[;,]/),
])
const emote = z.object({ from: count, to: count, url: emoteUrl })
export const message = z
  .object({ text: z.string().max(2000), emotes: z.array(emote).max(100).optional() })
  // What is taken out of the text would leave the emotes' places on other words.
  .transform(({ text, emotes }) => {
    const cleaned = cleanMarkedText(text, emotes ?? [])
    return { text: cleaned.text, ...(emotes ? { emotes: cleaned.spans } : {}) }
  })

/**
 * What every event carries. `viewer: null` means that somebody anonymous did it. `choice` is the id of what the viewer chose
 * where the alert offered several.
 */
export const base = { viewer: viewer.nullable(), message: message.optional(), choice: words(60).optional() }
export const money = { amountMinor: count, currency }
