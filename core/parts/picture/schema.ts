import * as z from 'zod'
import { visibleBase } from '../../composition/visiblePart.ts'

/** A still picture, fitted whole into a box of the given size. */
export const picture = z.object({
  ...visibleBase,
  kind: z.literal('picture'),
  /** SHA-256 of the media file, or null while none is chosen. */
  mediaId: z.string().regex(/^[0-9a-f]{64}$/).nullable(),
  widthPx: z.number().min(1).max(8000),
  heightPx: z.number().min(1).max(8000),
  isMirrored: z.boolean(),
  rotationDeg: z.number().min(-360).max(360),
})
export type Picture = z.infer<typeof picture>
