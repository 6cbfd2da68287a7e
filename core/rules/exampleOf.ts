import { kindOf, type EventKind } from '../events/kinds.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { calendarDay, localMoment, momentAt } from '../time/localMoment.ts'
import { plainCircumstances, type Circumstances } from './circumstances.ts'
import { chosenWhere, type Ruled } from './chosen.ts'
import type { Listener } from './fields.ts'
import type { Box } from './region.ts'
import { boxesWhere, conditionOf, stretchesOf } from './search.ts'
import { missing, type Dimension } from './dimension.ts'
import { pointOf, spaceOf, type Space } from './space.ts'
import { ruleValuesOf, type ChannelContext } from './values.ts'

/** Something that could happen, with what surrounds it. */
export interface Example {
  event: CanonicalEvent
  circumstances: Circumstances
}

const dayMs = 86_400_000

/** Writes what a field of a rule asks for where it stands in what an event carries. */
function write(kind: EventKind, data: Record<string, unknown>, id: string, value: number | string): void {
  if (id === 'choice') data.choice = value
  else if (id === 'message') data.message = { text: String(value) }
  else if (id === 'viewer') {
    if (value === 'anonymous') data.viewer = null
  } else setAt(data, kindOf(kind).fields.find(({ field }) => field.id === id)?.at ?? [], value)
}

function setAt(data: Record<string, unknown>, at: readonly string[], value: number | string): void {
  const [step, ...rest] = at
  if (step === undefined) return
  const known = data[step]
  if (rest.length === 0) data[step] = typeof known === 'number' ? Number(value) : value
  else {
    const inner = { ...(known as Record<string, unknown>) }
    setAt(inner, rest, value)
    data[step] = inner
  }
}

/** How many comparisons are asked for an example before the plain sample has to do: some ten milliseconds. */
const comparisonsMax = 200_000

/**
 * An event that a variation would be chosen for, with circumstances: the sample where that is one already, else the
 * sample of the alert's kinds that needs the fewest fields changed, by the nearest values. Null for a variation that
 * never plays, and where none was found in so many tries.
 * @param listener with the kinds in the order in which they are tried where as many fields would have to be changed
 * @param sampleOf a sample of each kind
 */
export function exampleOf(
  { kinds, offer }: Listener,
  variations: readonly Ruled[],
  sampleOf: (kind: EventKind) => CanonicalEvent,
  variationId: string,
  channel: ChannelContext,
): Example | null {
  const rules = variations.map(({ rule }) => rule)
  const index = variations.findIndex(({ id }) => id === variationId)
  if (index < 0) return null
  const space = spaceOf({ kinds, offer }, rules)
  const holds = rules.map((rule) => conditionOf(space, rule))
  const chosen = chosenWhere(variations, holds, index)
  const kindAt = space.dimensions.findIndex(({ field }) => field.id === 'kind')
  const budget = { left: comparisonsMax }
  const stretches = stretchesOf(space, rules)
  const found = kinds.map((kind, place) => {
    const event = sampleOf(kind)
    const at = pointOf(space, ruleValuesOf(event, channel, plainCircumstances, offer))
    const whole = space.whole.filter((box) => kindAt < 0 || box[kindAt * 2] === place)
    return { event, at, boxes: boxesWhere({ space, stretches, whole, budget }, chosen, at) }
  })
  for (const { event, at, box } of byDistance(found)) {
    const example = exampleIn(space, event, at, box, channel, offer)
    if (example) return example
  }
  return null
}

interface Found {
  event: CanonicalEvent
  at: readonly number[]
  boxes: Generator<Box>
}

/** What several searches find, the nearest first; each of them gives the nearest first already. */
function* byDistance(found: readonly Found[]): Generator<{ event: CanonicalEvent; at: readonly number[]; box: Box }> {
  const heads = found.map(({ boxes, ...of }) => ({ ...of, boxes, next: boxes.next() }))
  for (;;) {
    const open = heads.flatMap((head) =>
      head.next.done ? [] : [{ head, box: head.next.value, distance: distanceOf(head.at, head.next.value) }],
    )
    const [nearest] = open.sort((a, b) => a.distance - b.distance)
    if (!nearest) return
    yield { event: nearest.head.event, at: nearest.head.at, box: nearest.box }
    nearest.head.next = nearest.head.boxes.next()
  }
}

/** In how many directions a point lies outside a box. */
const distanceOf = (at: readonly number[], box: Box) =>
  at.reduce(
    (sum, value, dimension) =>
      sum + (value < (box[dimension * 2] as number) || value > (box[dimension * 2 + 1] as number) ? 1 : 0),
    0,
  )

/** No rule asks for it: what stands between pieces must not make another one of them. */
const betweenPieces = ' … '

/** What a text has to be, or has to contain. */
interface Wanted {
  whole: string | null
  pieces: string[]
  /** The text of the sample is not like that. */
  isElsewhere: boolean
}

/**
 * The event with values that lie in the box; null where what the box asks for cannot be all at once, such as a day that
 * is none.
 */
function exampleIn(
  space: Space,
  event: CanonicalEvent,
  at: readonly number[],
  box: Box,
  channel: ChannelContext,
  offer: Listener['offer'],
): Example | null {
  const occurredAtMs = occurredIn(space.dimensions, box, event.occurredAtMs, channel.timeZone)
  if (occurredAtMs === null) return null
  const data = { ...event.data } as Record<string, unknown>
  const roles: string[] = []
  let { platform, previousAtMs } = plainCircumstances
  const texts = new Map<string, Wanted>()
  space.dimensions.forEach(({ field, contained, values }, index) => {
    const [first, last, now] = [box[index * 2] as number, box[index * 2 + 1] as number, at[index] ?? missing]
    const value = Math.min(Math.max(now, first, 0), last)
    const isElsewhere = (now < first || now > last) && last !== missing
    if (field.type === 'set') {
      if (value === 1 && contained !== null) roles.push(contained)
    } else if (field.id === 'platform') platform = values?.[value] ?? platform
    else if (field.id === 'visit' && values?.[value] === 'again') previousAtMs ??= occurredAtMs - dayMs
    else if (field.id === 'since' && first > missing) previousAtMs = occurredAtMs - value * 60_000
    else if (field.type === 'text') {
      const wanted = texts.get(field.id) ?? { whole: null, pieces: [], isElsewhere: false }
      texts.set(field.id, wanted)
      wanted.isElsewhere ||= isElsewhere
      if (contained === null) wanted.whole = values?.[value] ?? null
      else if (value === 1) wanted.pieces.push(contained)
    } else if (isElsewhere) write(event.kind, data, field.id, values ? (values[value] ?? 'something else') : value)
  })
  for (const [id, { whole, pieces, isElsewhere }] of texts)
    if (isElsewhere) write(event.kind, data, id, whole ?? (pieces.join(betweenPieces) || 'something else'))
  if (roles.length > 0 && data.viewer) data.viewer = { ...(data.viewer as object), roles }
  const example = {
    event: { ...event, occurredAtMs, data } as CanonicalEvent,
    circumstances: { platform, previousAtMs },
  }
  return distanceOf(pointOf(space, ruleValuesOf(example.event, channel, example.circumstances, offer)), box) === 0
    ? example
    : null
}

/** Days are looked through for so long: every weekday falls on every day of the year within. */
const daysTried = 366 * 28

/** A moment whose clock and calendar lie in the box, the given one where it does; null where there is none. */
function occurredIn(dimensions: readonly Dimension[], box: Box, atMs: number, timeZone: string): number | null {
  const spanOf = (id: string) => {
    const index = dimensions.findIndex(({ field }) => field.id === id)
    return index < 0 ? null : { first: box[index * 2] as number, last: box[index * 2 + 1] as number }
  }
  const [time, weekday, season, date] = ['time', 'weekday', 'season', 'date'].map(spanOf)
  if (!time && !weekday && !season && !date) return atMs
  const isIn = (span: { first: number; last: number } | null | undefined, value: number) =>
    !span || (value >= span.first && value <= span.last)
  const local = localMoment(atMs, timeZone)
  if (
    isIn(time, local.minute) &&
    isIn(weekday, local.weekday) &&
    isIn(season, local.dayOfYear) &&
    isIn(date, local.day)
  )
    return atMs
  const minute = isIn(time, local.minute) ? local.minute : Math.max(0, time?.first ?? 0)
  const firstDay = isIn(date, local.day) ? local.day : Math.max(0, date?.first ?? 0)
  for (let day = firstDay; day < firstDay + daysTried && isIn(date, day); day++) {
    const shown = calendarDay(day)
    if (isIn(weekday, shown.weekday) && isIn(season, shown.dayOfYear)) return momentAt(day, minute, timeZone)
  }
  return null
}
