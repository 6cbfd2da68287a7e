import * as z from 'zod'
import { easingSpec } from './easingSpec.ts'

export const motionNames = [
  'none',
  'fade',
  'rise',
  'sink',
  'fromLeft',
  'fromRight',
  'slideLeft',
  'slideRight',
  'slideTop',
  'slideBottom',
  'zoom',
  'loom',
  'spring',
  'drop',
  'roll',
  'turn',
  'swing',
  'unfold',
  'wipe',
  'focus',
] as const
export const motionName = z.enum(motionNames)
export type MotionName = z.infer<typeof motionName>

/**
 * One phase of a visible part: which motion, over how long, and how its way is eased (`null`: the motion's own easing).
 */
export const phase = z.object({ motion: motionName, ms: z.int().min(0).max(10_000), easing: easingSpec.nullable() })
export type Phase = z.infer<typeof phase>

/** What a look says of motion: how things enter, how words do, and how everything leaves. */
export const motionRoles = ['enter', 'words', 'leave'] as const
export const motionRole = z.enum(motionRoles)

/** A phase that follows the look or stands on its own; never both. */
export const styledPhase = z.union([z.strictObject({ role: motionRole }), phase])
export type StyledPhase = z.infer<typeof styledPhase>

/** How a part comes and goes. Between the two it stays. */
export const motion = z.object({ entrance: styledPhase, exit: styledPhase })
