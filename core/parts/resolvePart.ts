import { assertNever } from '../assertNever.ts'
import { resolveInk, resolveType } from '../look/resolveStyle.ts'
import type { Look } from '../look/schema.ts'
import type { ResolvedPart } from '../score/resolved.ts'
import type { SolvedClip } from '../score/solve.ts'
import { fillTemplate } from '../text/fillTemplate.ts'
import type { Part, VisiblePart } from './part.ts'

export interface PartContext {
  look: Look
  /** The event's variables as text. */
  values: Readonly<Record<string, string>>
}

function visible(part: VisiblePart, times: SolvedClip) {
  return {
    id: part.id,
    startMs: times.startMs,
    endMs: times.endMs,
    place: part.place,
    opacity: part.opacity,
    entrance: { motion: part.motion.entrance.motion, ms: times.entranceMs },
    exit: { motion: part.motion.exit.motion, ms: times.exitMs },
  }
}

/** Settles one part. Null for what can neither be seen nor heard (a muted sound, one without a file). */
export function resolvePart(part: Part, times: SolvedClip, { look, values }: PartContext): ResolvedPart | null {
  switch (part.kind) {
    case 'picture': {
      const { mediaId, widthPx, heightPx, isMirrored, rotationDeg } = part
      return { kind: 'picture', ...visible(part, times), mediaId, widthPx, heightPx, isMirrored, rotationDeg }
    }
    case 'line': {
      const { sizePx, floorPx, maxWidthPx } = part
      return {
        kind: 'line',
        ...visible(part, times),
        pieces: fillTemplate(part.template, values),
        ...resolveType(part.type, look),
        sizePx,
        floorPx,
        maxWidthPx,
        ink: resolveInk(part.ink, look),
        highlightInk: resolveInk(part.highlightInk, look),
        outlinePx: part.outline.widthPx,
        outlineInk: resolveInk(part.outline.ink, look),
      }
    }
    case 'backdrop': {
      const { hugs, widthPx, heightPx, paddingPx, cornerPx } = part
      return { kind: 'backdrop', ...visible(part, times), hugs, widthPx, heightPx, paddingPx, cornerPx, ink: resolveInk(part.ink, look) }
    }
    case 'sound': {
      if (part.mediaId === null || part.isMuted) return null
      const gainDb = part.gainDb + look.soundTrimDb
      return { kind: 'sound', id: part.id, startMs: times.startMs, endMs: times.endMs, mediaId: part.mediaId, gainDb }
    }
    default:
      return assertNever(part)
  }
}
