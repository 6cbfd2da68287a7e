import { duckEnvelope, type EnvelopePoint } from '../audio/ducking.ts'
import type { Canvas } from '../composition/canvas.ts'
import { withChoice, type Offer } from '../composition/offer.ts'
import type { Composition } from '../composition/schema.ts'
import type { Zone } from '../composition/zone.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { isShelved } from '../look/fontShelf.ts'
import { withDress } from '../library/mediaUses.ts'
import { mediaOfPart } from '../library/partMedia.ts'
import type { Season } from '../look/seasons.ts'
import type { Look } from '../look/schema.ts'
import { readingMs } from './parts/message/readingMs.ts'
import { templatesOf, type Part } from './parts/part.ts'
import { kindOfPart } from './parts/partKinds.ts'
import { ok, type Result } from '../result.ts'
import type { PartContext } from '../settle/partContext.ts'
import { readAlongOf } from '../speech/readAlongOf.ts'
import { spokenLengths } from '../speech/sayings.ts'
import type { SpokenParts } from '../speech/spoken.ts'
import { fallbackFamiliesFor } from '../text/fallbackFamilies.ts'
import { fillTemplate } from '../text/fillTemplate.ts'
import { plainText } from '../text/textPiece.ts'
import type { MediaAddress, MediaFacts } from './mediaFacts.ts'
import { isTextPart, type FontAddress, type ResolvedPart, type ResolvedScore, type SolverRemark } from './resolved.ts'
import type { SolvedClip, SolveError } from './solve.ts'
import { shortestLengthMs } from './shortest.ts'
import { solveComposition } from './solveComposition.ts'
import { eventSeed, valuesIn } from './valuesIn.ts'

export interface ResolveContext {
  canvas: Canvas
  look: Look
  zones: readonly Zone[]
  event: CanonicalEvent
  /** What the alert lets viewers choose; absent: nothing. */
  offer?: Offer | null
  /** Files of a season that take others' places; absent: none. */
  swaps?: Season['swaps']
  /** BCP 47, for numbers and money. */
  locale: string
  /**
   * What its voices have said; absent, and for parts that are not in it: not asked yet, so that their length is an
   * estimate.
   */
  spoken?: SpokenParts
  media: Readonly<Record<string, MediaFacts>>
}

/** A composition with the files of the season and of what the viewer chose. */
export function wornComposition(
  composed: Composition,
  { look, offer = null, swaps = [], event }: Pick<ResolveContext, 'look' | 'offer' | 'swaps' | 'event'>,
): Composition {
  return withDress(withChoice(composed, offer, event.data.choice), { look, swaps })
}

/** A composition as it is worn for an event, with its anchors solved. */
function solvedFor(composed: Composition, context: ResolveContext) {
  const { event, locale, media, look, spoken = {} } = context
  const composition = wornComposition(composed, context)
  const solved = solveComposition(composition, {
    media,
    messageText: event.data.message?.text ?? '',
    look,
    spokenMs: spokenLengths(composition, event, locale, spoken),
  })
  return solved.ok ? ok({ composition, ...solved.value }) : solved
}

/** A few letters more are read within this. */
const readingStepMs = 250

/** As short as a composition may be for one event where much waits: see `shortestLengthMs`. */
export function shortestOfScore(composed: Composition, context: ResolveContext): number | null {
  const { event, locale, media, look, spoken = {} } = context
  const composition = wornComposition(composed, context)
  const natural = {
    media,
    messageText: event.data.message?.text ?? '',
    look,
    spokenMs: spokenLengths(composition, event, locale, spoken),
  }
  const reading = readingOf(composition, context)
  return shortestLengthMs({
    composition,
    solve: (ms) => {
      const solved = solveComposition({ ...composition, length: { rule: 'fixed', ms } }, natural)
      return solved.ok ? solved.value : null
    },
    readMs: (part) => reading[composition.parts.indexOf(part)] ?? 0,
  })
}

/** How long the words of each part have to stand to be read, in its order: a little more, so that names of a few letters more are read in it too. */
function readingOf(composition: Composition, { event, locale }: Pick<ResolveContext, 'event' | 'locale'>): number[] {
  const values = valuesIn(composition, event)
  return composition.parts.map((part) => {
    const words = templatesOf(part).map((template) => plainText(fillTemplate(template, values, locale)))
    const ms = readingMs(words.join(' '))
    return ms === 0 ? 0 : Math.ceil(ms / readingStepMs + 1) * readingStepMs
  })
}

/** How long a composition lasts for one event: a fifth of the work of settling it. */
export function lengthOfScore(composed: Composition, context: ResolveContext): Result<number, SolveError> {
  const solved = solvedFor(composed, context)
  return solved.ok ? ok(solved.value.lengthMs) : solved
}

/**
 * Settles a composition for one event: anchors to times, roles to values, templates to pieces of text, draws by the
 * event's identity. A part whose media is unknown keeps its place; the player then reports it as missing and plays the
 * rest.
 * @returns the score to play, or why its anchors cannot be solved.
 */
export function resolveScore(composed: Composition, context: ResolveContext): Result<ResolvedScore, SolveError> {
  const { event, spoken = {} } = context
  const solved = solvedFor(composed, context)
  if (!solved.ok) return solved
  const { composition, clips, lengthMs, shrunk, cut } = solved.value
  const { message } = event.data
  const partContext: PartContext = {
    canvas: context.canvas,
    look: context.look,
    zones: context.zones,
    values: valuesIn(composition, event),
    message: message ? { text: message.text, emotes: message.emotes ?? [] } : null,
    media: context.media,
    spoken,
    locale: context.locale,
    seed: eventSeed(event),
  }
  const parts: ResolvedPart[] = []
  const media: Record<string, MediaAddress> = {}
  let letters = ''
  for (const part of composition.parts) {
    const times = clips[part.id]
    const isOff = 'isHidden' in part && part.isHidden
    const resolved = times && !isOff ? kindOfPart(part).resolve(part, times, partContext) : null
    if (!resolved) continue
    parts.push(resolved, ...heardOf(part, resolved, times, partContext))
    letters += kindOfPart(part).letters(resolved)
    for (const id of mediaOfPart(part)) {
      const facts = context.media[id]
      if (facts) media[id] = { url: facts.url, mime: facts.mime }
    }
  }
  const remarks: SolverRemark[] = [
    ...shrunk.map((partId) => ({ type: 'phasesShrunk' as const, partId })),
    ...cut.map((partId) => ({ type: 'cutOff' as const, partId })),
  ]
  const duck = lightWords(parts)
  const fonts = ownFonts(parts, context.media)
  return ok({
    version: 2,
    canvas: context.canvas,
    lengthMs,
    parts,
    clips,
    media,
    ...(fonts ? { fonts } : {}),
    ...(duck.length > 0 ? { duck } : {}),
    fallbackFamilies: fallbackFamiliesFor(letters),
    remarks,
  })
}

/** What is heard of a part that can be seen, as sounds of the score. */
function heardOf(part: Part, resolved: ResolvedPart, times: SolvedClip | undefined, context: PartContext) {
  const { heard } = kindOfPart(part)
  if (!times || !heard) return []
  return heard(part, resolved, times, context).map(({ name, round, ...sound }) => ({
    kind: 'sound' as const,
    id: `${part.id}.${name}`,
    fadeInMs: 0,
    fadeOutMs: 0,
    ...sound,
    repeats: round !== undefined,
    ...(round ? { round } : {}),
  }))
}

/** Tells texts when their words are read, and says how sounds go down meanwhile. */
function lightWords(parts: readonly ResolvedPart[]): EnvelopePoint[] {
  const voices = parts.filter((part) => part.kind === 'voice')
  for (const part of parts) {
    if (!isTextPart(part) || !part.readAlong) continue
    const read = readAlongOf(plainText(part.pieces), part.kind === 'message' ? 'message' : 'line', voices)
    part.readAlong = read ? { ...part.readAlong, ...read } : null
  }
  return duckEnvelope(
    voices.flatMap(({ utterances, duckDb }) => utterances.map(({ startMs, endMs }) => ({ startMs, endMs, duckDb }))),
  )
}

function familiesOf(part: ResolvedPart): string[] {
  if (part.kind === 'code') return Object.values(part.types).map(({ family }) => family)
  return 'family' in part ? [part.family] : []
}

/** Where the families come from that do not ship with the product; null where all do. */
function ownFonts(parts: readonly ResolvedPart[], media: ResolveContext['media']): Record<string, FontAddress> | null {
  const families = new Set(parts.flatMap(familiesOf).filter((family) => !isShelved(family)))
  if (families.size === 0) return null
  const fonts: Record<string, FontAddress> = {}
  for (const { family, weights, url } of Object.values(media))
    if (family && weights && families.has(family)) fonts[family] = { url, weights }
  return fonts
}
