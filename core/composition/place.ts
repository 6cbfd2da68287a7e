import * as z from 'zod'

export const origins = [
  'topLeft',
  'top',
  'topRight',
  'left',
  'centre',
  'right',
  'bottomLeft',
  'bottom',
  'bottomRight',
] as const
export const origin = z.enum(origins)
export type Origin = z.infer<typeof origin>

/** Where a part stands: the point of the canvas, in canvas pixels, on which the part's origin lies. */
export const place = z.object({
  xPx: z.number().min(-8000).max(16000),
  yPx: z.number().min(-8000).max(16000),
  origin,
})
export type Place = z.infer<typeof place>
