import * as z from 'zod'

/** The picture that a box draws on, as set in the broadcast program. */
export const canvas = z.object({
  widthPx: z.int().min(160).max(7680),
  heightPx: z.int().min(40).max(4320),
  framesPerSecond: z.int().min(10).max(120),
})
export type Canvas = z.infer<typeof canvas>
