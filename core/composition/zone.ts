import * as z from 'zod'
import { partId } from './clip.ts'

export const zonePurposes = ['camera', 'chat', 'game', 'free'] as const

/**
 * A named area of the canvas: where the camera, the chat or the game is (kept clear), or where there is room (`free`).
 * Canvas pixels.
 */
export const zone = z.object({
  id: partId,
  name: z.string().trim().min(1).max(40),
  purpose: z.enum(zonePurposes),
  xPx: z.number().min(-8000).max(16_000),
  yPx: z.number().min(-8000).max(16_000),
  widthPx: z.number().min(8).max(8000),
  heightPx: z.number().min(8).max(8000),
})
export type Zone = z.infer<typeof zone>
