import * as z from 'zod'

export const easingNames = ['linear', 'easeOut', 'easeIn', 'easeInOut', 'overshoot', 'bounce'] as const

const ratio = z.number().min(0).max(1)
const level = z.number().min(-4).max(4)

/**
 * How progress is eased: by name, as a cubic Bézier (CSS's four numbers), as a list of levels at even distances (CSS's
 * `linear()` without positions), in steps, or as a spring of a damping ratio.
 */
export const easingSpec = z.union([
  z.enum(easingNames),
  z.strictObject({ bezier: z.tuple([ratio, level, ratio, level]) }),
  z.strictObject({ levels: z.array(level).min(2).max(64) }),
  z.strictObject({ steps: z.int().min(1).max(60) }),
  z.strictObject({ damping: z.number().min(0.05).max(0.99) }),
])
export type EasingSpec = z.infer<typeof easingSpec>
