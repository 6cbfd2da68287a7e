import type { BoxDocument, Variation } from '../composition/box.ts'
import type { Composition } from '../composition/schema.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { dropOldest } from '../dropOldest.ts'
import { dressAt, type Dress } from '../look/seasons.ts'
import { readingMs } from '../score/parts/message/readingMs.ts'
import type { Result } from '../result.ts'
import { valuesOf } from '../events/variables.ts'
import { lengthOfScore, resolveScore, shortestOfScore, type ResolveContext } from '../score/resolve.ts'
import type { ResolvedScore } from '../score/resolved.ts'
import type { SolveError } from '../score/solve.ts'
import type { SpokenParts } from '../speech/spoken.ts'
import type { ChannelOnAir } from './channelOnAir.ts'

/** What a variation is settled with: see `scoreFor`. */
export interface ScoreRequest {
  event: CanonicalEvent
  /** Its look is that of the day on which it came: what waits over midnight, or is shown again, looks as it was decided. */
  receivedAtMs: number
  document: BoxDocument
  variation: Variation
  channel: Pick<ChannelOnAir, 'locale' | 'media' | 'timeZone'>
  /** What its voices have said; without it, they have said nothing yet. */
  spoken?: SpokenParts
  /** It is as short as it may be. */
  isShort?: boolean
}

/** How a box was dressed last, and in which minute. */
interface KnownDress {
  minute: number
  timeZone: string
  dress: Dress
}
const dresses = new WeakMap<BoxDocument, KnownDress>()
const minuteMs = 60_000

/** How a box is dressed: looked up once a minute, for a calendar is slow to ask, and days begin with a minute. */
function dressOf(document: BoxDocument, atMs: number, timeZone: string): Dress {
  const minute = Math.floor(atMs / minuteMs)
  const known = dresses.get(document)
  if (known?.minute === minute && known.timeZone === timeZone) return known.dress
  const dress = dressAt(document, atMs, timeZone)
  dresses.set(document, { minute, timeZone, dress })
  return dress
}

function contextOf({ event, receivedAtMs, document, variation, channel, spoken = {} }: ScoreRequest): ResolveContext {
  const { canvas, zones, alerts } = document
  const { locale, media, timeZone } = channel
  const { look, swaps } = dressOf(document, receivedAtMs, timeZone)
  const offer = alerts.find(({ variations }) => variations.includes(variation))?.offer ?? null
  return { canvas, look, zones, event, offer, swaps, locale, media, spoken }
}

/** A variation settled for an event, as it stands in this version of its box. */
export function scoreFor(request: ScoreRequest): Result<ResolvedScore, SolveError> {
  const { composition } = request.variation
  const context = contextOf(request)
  const shortMs = request.isShort ? shortestOfScore(composition, context) : null
  return resolveScore(
    shortMs === null ? composition : { ...composition, length: { rule: 'fixed', ms: shortMs } },
    context,
  )
}

/** Shortest lengths of a composition, by all that they depend on beside its look and its files. */
interface KnownShortest extends Pick<ResolveContext, 'look' | 'media'> {
  of: Map<string, number | null>
}
const shortests = new WeakMap<Composition, KnownShortest>()
const shortestsKept = 200
const lengthsKept = 200

/** Names that differ by fewer letters are read in the same time, with what is added to it. */
const lettersAlike = 3

/** All of an event that a shortest length depends on: how many letters its values have, and how long its message takes. */
function lettersKey(event: CanonicalEvent, { parts }: Composition): string {
  const { message: _written, ...values } = valuesOf(event)
  const hasMessage = parts.some(({ kind }) => kind === 'message')
  return [
    event.data.choice ?? '',
    hasMessage ? readingMs(event.data.message?.text ?? '') : 0,
    event.together ? String(event.together.count).length : 0,
    ...Object.values(values).map((value) =>
      typeof value === 'string'
        ? Math.ceil(value.length / lettersAlike)
        : String(typeof value === 'number' ? value : value.amountMinor).length,
    ),
  ].join(' ')
}

/** As short as it may be; null: never shorter than it is. In a flood one event after another has the same. */
export function shortestFor(request: ScoreRequest): number | null {
  const { composition } = request.variation
  if (composition.length.rule !== 'fixed') return null
  const context = contextOf(request)
  const { look, media, swaps = [], event } = context
  if (swaps.length > 0) return shortestOfScore(composition, context)
  let known = shortests.get(composition)
  if (known?.look !== look || known.media !== media) {
    known = { look, media, of: new Map() }
    shortests.set(composition, known)
  }
  const key = lettersKey(event, composition)
  const kept = known.of.get(key)
  if (kept !== undefined) return kept
  const found = shortestOfScore(composition, context)
  known.of.set(key, found)
  dropOldest(known.of, shortestsKept)
  return found
}

/** Lengths of a composition, by all that they depend on beside its look and its files. In a flood one event after another has the same. */
interface KnownLengths extends Pick<ResolveContext, 'look' | 'media'> {
  of: Map<string, Result<number, SolveError>>
}
const lengths = new WeakMap<Composition, KnownLengths>()

/** How long that lasts, without settling it: all that is asked while it waits. */
export function lengthFor(request: ScoreRequest): Result<number, SolveError> {
  const { composition } = request.variation
  const context = contextOf(request)
  const { look, media, swaps = [] } = context
  const { choice, message } = request.event.data
  // All that a length depends on, but for voices and for files of a season.
  const readMs = readingMs(message?.text ?? '')
  if (swaps.length > 0 || composition.parts.some(({ kind }) => kind === 'voice'))
    return lengthOfScore(composition, context)
  let known = lengths.get(composition)
  if (known?.look !== look || known.media !== media) {
    known = { look, media, of: new Map() }
    lengths.set(composition, known)
  }
  const key = `${readMs} ${choice ?? ''}`
  const kept = known.of.get(key)
  if (kept) return kept
  const length = lengthOfScore(composition, context)
  known.of.set(key, length)
  dropOldest(known.of, lengthsKept)
  return length
}

/** How long a variation lasts as it would be settled, its voices aside: at its short end that itself. Null: it does not resolve. */
export function lengthAsShown(request: ScoreRequest): number | null {
  const shortMs = request.isShort ? shortestOfScore(request.variation.composition, contextOf(request)) : null
  if (shortMs !== null) return shortMs
  const length = lengthFor(request)
  return length.ok ? length.value : null
}
