import type { Canvas } from '../composition/canvas.ts'
import type { Composition } from '../composition/schema.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { valuesOf } from '../events/variables.ts'
import type { Look } from '../look/schema.ts'
import { resolvePart, type PartContext } from '../parts/resolvePart.ts'
import { isVisiblePart } from '../parts/part.ts'
import { ok, type Result } from '../result.ts'
import { fallbackFamiliesFor } from '../text/fallbackFamilies.ts'
import type { MediaAddress, ResolvedPart, ResolvedScore, ScoreRemark } from './resolved.ts'
import { solveScore, type ClipToSolve, type SolveError } from './solve.ts'

/** What is known of a media file. `durationMs` is null for stills. */
export interface MediaFacts extends MediaAddress {
  durationMs: number | null
}

export interface ResolveContext {
  canvas: Canvas
  look: Look
  event: CanonicalEvent
  /** BCP 47, for numbers and money. */
  locale: string
  media: Readonly<Record<string, MediaFacts>>
}

/**
 * Settles a composition for one event: anchors to times, roles to values, templates to pieces of text. A part whose media
 * is unknown keeps its place; the player then reports it as missing and plays the rest.
 * @returns the score to play, or why its anchors cannot be solved.
 */
export function resolveScore(composition: Composition, context: ResolveContext): Result<ResolvedScore, SolveError> {
  const clips: ClipToSolve[] = composition.parts.map((part) => ({
    id: part.id,
    clip: part.clip,
    entranceMs: isVisiblePart(part) ? part.motion.entrance.ms : 0,
    exitMs: isVisiblePart(part) ? part.motion.exit.ms : 0,
    naturalMs: 'mediaId' in part ? naturalLengthMs(part.mediaId, context.media) : null,
  }))
  const solved = solveScore(clips, composition.length)
  if (!solved.ok) return solved

  const partContext: PartContext = { look: context.look, values: valuesOf(context.event, context.locale) }
  const parts: ResolvedPart[] = []
  const media: Record<string, MediaAddress> = {}
  let letters = ''
  for (const part of composition.parts) {
    const times = solved.value.clips[part.id]
    if (!times) continue
    const resolved = resolvePart(part, times, partContext)
    if (!resolved) continue
    parts.push(resolved)
    if (resolved.kind === 'line') letters += resolved.pieces.map((piece) => piece.text).join('')
    const facts = 'mediaId' in resolved && resolved.mediaId ? context.media[resolved.mediaId] : undefined
    if (facts && 'mediaId' in resolved && resolved.mediaId) media[resolved.mediaId] = { url: facts.url, mime: facts.mime }
  }
  const remarks: ScoreRemark[] = [
    ...solved.value.shrunk.map((partId) => ({ type: 'phasesShrunk' as const, partId })),
    ...solved.value.cut.map((partId) => ({ type: 'cutOff' as const, partId })),
  ]
  return ok({
    version: 1,
    canvas: context.canvas,
    lengthMs: solved.value.lengthMs,
    parts,
    media,
    fallbackFamilies: fallbackFamiliesFor(letters),
    remarks,
  })
}

/** A part without media, or with a file that is gone, lasts no time of its own rather than stopping the whole score. */
function naturalLengthMs(mediaId: string | null, media: Readonly<Record<string, MediaFacts>>): number | null {
  if (mediaId === null) return 0
  const facts = media[mediaId]
  return facts ? facts.durationMs : 0
}
