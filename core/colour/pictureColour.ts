import * as z from 'zod'
import { resolveInk } from '../look/resolveStyle.ts'
import { hexColour, styledInk, type Look } from '../look/schema.ts'
import { rgbOfHex } from './oklch.ts'
import { noTint, tintTowards, type Tint } from './tint.ts'
import { washTowards } from './wash.ts'

/**
 * What becomes of a picture's colours: left alone, tinted by hand, brought to a wanted colour by turning its own, or to
 * shades of a wanted one (`wash`), which works for grey, white and black artwork too. `from` is the
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
  z.object({ mode: z.literal('wash'), from: hexColour, to: styledInk }),
])
export type PictureColour = z.infer<typeof pictureColour>

/** Finding a turn takes milliseconds, and every edit asks for the same ones again. */
const turns = new Map<string, Tint>()
const turnsKept = 500

function turnTowards(from: string, to: string): Tint {
  const key = `${from}/${to}`
  const kept = turns.get(key)
  if (kept) return kept
  if (turns.size >= turnsKept) turns.clear()
  const found = tintTowards(rgbOfHex(from), rgbOfHex(to))
  turns.set(key, found)
  return found
}

/** The tint that a picture's colour means in this look; null for none. */
export function resolveColour(colour: PictureColour, look: Look): Tint | null {
  if (colour.mode === 'asIs') return null
  if (colour.mode === 'tint')
    return { hueDeg: colour.hueDeg, saturation: colour.saturation, brightness: colour.brightness }
  const to = resolveInk(colour.to, look)
  return colour.mode === 'wash'
    ? { ...noTint, wash: washTowards(rgbOfHex(colour.from), rgbOfHex(to)) }
    : turnTowards(colour.from, to)
}
