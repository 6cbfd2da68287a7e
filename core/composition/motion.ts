import * as z from 'zod'

export const motionNames = ['none', 'fade', 'rise', 'sink', 'fromLeft', 'fromRight', 'zoom', 'spring', 'drop'] as const
export const motionName = z.enum(motionNames)
export type MotionName = z.infer<typeof motionName>

/** One phase of a visible part: which motion, over how long. */
export const phase = z.object({ motion: motionName, ms: z.int().min(0).max(10_000) })
export type Phase = z.infer<typeof phase>

/** How a part comes and goes. Between the two it stays. */
export const motion = z.object({ entrance: phase, exit: phase })
