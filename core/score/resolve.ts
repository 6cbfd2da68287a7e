import type { Canvas } from '../composition/canvas.ts'
import type { Composition } from '../composition/schema.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { valuesOf } from '../events/variables.ts'
import type { Look } from '../look/schema.ts'
import { resolvePart, type PartContext } from '../parts/resolvePart.ts'
import { ok, type Result } from '../result.ts'
import { fallbackFamiliesFor } from '../text/fallbackFamilies.ts'
import type { MediaFacts } from './mediaFacts.ts'
import type { MediaAddress, ResolvedPart, ResolvedScore, ScoreRemark } from './resolved.ts'
import type { SolveError } from './solve.ts'
import { solveComposition } from './solveComposition.ts'

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
  const solved = solveComposition(composition, context.media)
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
