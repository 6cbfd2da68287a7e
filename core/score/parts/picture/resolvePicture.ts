import { resolveColour } from '../../../colour/pictureColour.ts'
import type { Tint } from '../../../colour/tint.ts'
import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { Sides } from '../../mediaFacts.ts'
import type { SolvedClip } from '../../solve.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import type { Picture } from './schema.ts'

/** What both take away. A crop that would leave nothing of the artwork goes before its margins. */
function within(crop: Picture['crop'], margin: Sides): Picture['crop'] {
  const both = {
    left: Math.max(crop.left, margin.left),
    top: Math.max(crop.top, margin.top),
    right: Math.max(crop.right, margin.right),
    bottom: Math.max(crop.bottom, margin.bottom),
  }
  return both.left + both.right < 1 && both.top + both.bottom < 1 ? both : crop
}

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
  /** It goes on after a round, and does not begin again. */
  isEndless?: true
}

export function resolvePicture(part: Picture, times: SolvedClip, context: PartContext): ResolvedPicture {
  const { mediaId, widthPx, heightPx, fit, isMirrored, repeats } = part
  const facts = mediaId === null ? undefined : context.media[mediaId]
  const naturalMs = facts?.durationMs ?? null
  const crop = part.extent === 'ink' && facts?.margin ? within(part.crop, facts.margin) : part.crop
  return {
    kind: 'picture',
    ...settleVisible(part, times, context.look),
    mediaId,
    widthPx,
    heightPx,
    fit,
    crop,
    isMirrored,
    repeats,
    tint: resolveColour(part.colour, context.look),
    naturalMs,
    ...(facts?.isEndless ? { isEndless: true } : {}),
  }
}
