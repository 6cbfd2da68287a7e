import { resolveColour } from '../../colour/pictureColour.ts'
import type { Tint } from '../../colour/tint.ts'
import type { ResolvedVisible } from '../../score/resolvedBase.ts'
import type { SolvedClip } from '../../score/solve.ts'
import type { PartContext } from '../../settle/partContext.ts'
import { settleVisible } from '../../settle/settleVisible.ts'
import type { Picture } from './schema.ts'

export interface ResolvedPicture extends ResolvedVisible {
  kind: 'picture'
  mediaId: string | null
  widthPx: number
  heightPx: number
  fit: Picture['fit']
  crop: Picture['crop']
  isMirrored: boolean
  repeats: Picture['repeats']
  tint: Tint | null
  /** How long one round of the file lasts; null for stills. */
  naturalMs: number | null
}

export function resolvePicture(part: Picture, times: SolvedClip, context: PartContext): ResolvedPicture {
  const { mediaId, widthPx, heightPx, fit, crop, isMirrored, repeats } = part
  const naturalMs = mediaId === null ? null : (context.media[mediaId]?.durationMs ?? null)
  return { kind: 'picture', ...settleVisible(part, times), mediaId, widthPx, heightPx, fit, crop, isMirrored, repeats, tint: resolveColour(part.colour, context.look), naturalMs }
}
