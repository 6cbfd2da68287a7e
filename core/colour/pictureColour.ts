import * as z from 'zod'
import { resolveInk } from '../look/resolveStyle.ts'
import { hexColour, styledInk, type Look } from '../look/schema.ts'
import { rgbOfHex } from './oklch.ts'
import { tintTowards, type Tint } from './tint.ts'

/**
 * What becomes of a picture's colours: left alone, tinted by hand, or brought to a wanted colour. `from` is the
 * picture's own dominant colour, measured when the file was chosen.
 */
export const pictureColour = z.discriminatedUnion('mode', [
  z.object({ mode: z.literal('asIs') }),
  z.object({
    mode: z.literal('tint'),
    hueDeg: z.number().min(-360).max(360),
    saturation: z.number().min(0).max(4),
    brightness: z.number().min(0).max(4),
  }),
  z.object({ mode: z.literal('recolour'), from: hexColour, to: styledInk }),
])
export type PictureColour = z.infer<typeof pictureColour>

/** The tint that a picture's colour means in this look; null for none. */
export function resolveColour(colour: PictureColour, look: Look): Tint | null {
  if (colour.mode === 'asIs') return null
  if (colour.mode === 'tint')
    return { hueDeg: colour.hueDeg, saturation: colour.saturation, brightness: colour.brightness }
  return tintTowards(rgbOfHex(colour.from), rgbOfHex(resolveInk(colour.to, look)))
}
