import * as z from 'zod'
import { easingSpec } from './easingSpec.ts'

export const motionNames = [
  'none', 'fade', 'rise', 'sink', 'fromLeft', 'fromRight', 'slideLeft', 'slideRight', 'slideTop', 'slideBottom', 'zoom', 'loom', 'spring', 'drop', 'roll', 'turn', 'swing',
  'unfold', 'wipe', 'focus',
] as const
export const motionName = z.enum(motionNames)
export type MotionName = z.infer<typeof motionName>

/** One phase of a visible part: which motion, over how long, and how its way is eased (`null`: the motion's own easing). */
export const phase = z.object({ motion: motionName, ms: z.int().min(0).max(10_000), easing: easingSpec.nullable() })
export type Phase = z.infer<typeof phase>

/** How a part comes and goes. Between the two it stays. */
export const motion = z.object({ entrance: phase, exit: phase })
