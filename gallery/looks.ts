import { usualLevel } from '../core/audio/level.ts'
import { plainShadow } from '../core/look/lanternLook.ts'
import { asDesigned } from '../core/look/resolveStyle.ts'
import type { Look, Palette, RoleTypeface } from '../core/look/schema.ts'
import type { MotionName, Phase } from '../core/motion/schema.ts'

export const wide = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
export const tall = { widthPx: 1080, heightPx: 1920, framesPerSecond: 60 }

export const phase = (motion: MotionName, ms: number): Phase => ({ motion, ms, easing: null })
const face = (family: string, weight: number, changes: Partial<RoleTypeface> = {}): RoleTypeface => ({
  family,
  weight,
  ...asDesigned,
  ...changes,
})

/** A set's look. Typefaces as family and weight: of headlines, then of all other words. */
export function lookOf(
  name: string,
  palette: Palette,
  display: [string, number],
  text: [string, number],
  motion: Look['motion'],
  changes: { outlineRatio?: number; shadow?: boolean; speedRatio?: number } = {},
): Omit<Look, 'sounds'> {
  const style = { outlineRatio: changes.outlineRatio ?? 1, shadow: changes.shadow ? plainShadow : null }
  return {
    name,
    palette,
    type: { display: face(...display, style), text: face(...text, style) },
    motion,
    speedRatio: changes.speedRatio ?? 1,
    soundLevel: usualLevel,
    soundTrimDb: 0,
  }
}
