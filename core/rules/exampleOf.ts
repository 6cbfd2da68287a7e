import type { EventKind } from '../events/kinds.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import type { Coverage } from './coverage.ts'
import { missing, type Space } from './space.ts'

type Write = (data: Record<string, unknown>, value: number | string) => void
const set = (path: string): Write => (data, value) => void (data[path] = value)
const inReward = (path: string): Write => (data, value) => void (data.reward = { ...(data.reward as object), [path]: value })

/** Where each field of a rule stands in what an event carries. */
const writers: Record<string, Write> = {
  months: set('months'), streak: set('streakMonths'), count: set('count'), amount: set('amountMinor'), points: set('points'), party: set('partySize'), item: set('item'),
  tier: (data, value) => void (data.tier = Number(value)),
  level: (data, value) => void (data[typeof value === 'number' ? 'level' : 'levelName'] = value),
  goal: set('goalTitle'), cost: inReward('costPoints'), reward: inReward('title'), input: set('input'), command: set('command'), arguments: set('arguments'),
  viewer: (data, value) => {
    if (value === 'anonymous') data.viewer = null
  },
  message: (data, value) => void (data.message = { text: String(value) }),
}
/** Kinds that call a field otherwise. */
const otherwise: Partial<Record<EventKind, Record<string, Write>>> = {
  purchase: { count: set('quantity') },
  goalStarted: { amount: set('targetMinor') },
  goalReached: { amount: set('targetMinor') },
  surgeStarted: { points: set('totalPoints') },
  surgeLevelled: { points: set('totalPoints') },
  surgeEnded: { points: set('totalPoints') },
}

/**
 * An event that a variation would be chosen for: the sample where that is one already, else the sample with the nearest values
 * that its coverage allows. Null for a variation that never plays.
 */
export function exampleOf(event: CanonicalEvent, { space, variations }: Coverage, variationId: string, at: readonly number[]): CanonicalEvent | null {
  const plays = variations.find(({ id }) => id === variationId)?.plays ?? []
  const distance = (box: readonly number[]) => at.reduce((sum, value, dimension) => sum + (value < (box[dimension * 2] as number) || value > (box[dimension * 2 + 1] as number) ? 1 : 0), 0)
  const [nearest] = [...plays].sort((a, b) => distance(a) - distance(b))
  if (!nearest) return null
  const data = { ...event.data } as Record<string, unknown>
  space.dimensions.forEach((_, dimension) => {
    const first = Math.max(nearest[dimension * 2] as number, 0)
    const last = nearest[dimension * 2 + 1] as number
    const now = at[dimension] ?? missing
    if ((now >= (nearest[dimension * 2] as number) && now <= last) || last === missing) return
    writeValue(space, event.kind, dimension, Math.min(Math.max(now, first), last), data)
  })
  return { ...event, data } as CanonicalEvent
}

function writeValue({ dimensions }: Space, kind: EventKind, dimension: number, value: number, data: Record<string, unknown>): void {
  const { field, values, contained } = dimensions[dimension] ?? {}
  const write = field && (otherwise[kind]?.[field.id] ?? writers[field.id])
  if (!write) return
  if (contained !== null && contained !== undefined) return write(data, value === 1 ? contained : '')
  write(data, values ? (values[value] ?? 'something else') : value)
}
