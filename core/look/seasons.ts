import * as z from 'zod'
import { mediaId } from '../composition/mediaId.ts'
import { calendarSpans, type CalendarScale } from '../rules/calendar.ts'
import { calendarDay, localMoment, type LocalMoment } from '../time/localMoment.ts'
import { look, type Look } from './schema.ts'

const day = z
  .string()
  .regex(/^(\d{4}-)?\d\d-\d\d$/, 'a day is written as MM-DD, or as YYYY-MM-DD where it is meant once')

/** Files that others take the place of. */
const swap = z.object({ from: mediaId, to: mediaId })

/**
 * A look for some days: of every year (`12-01` to `01-06`), or once (`2026-12-01` to `2026-12-24`). Both days are part
 * of it.
 */
export const season = z
  .object({
    id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/),
    from: day,
    to: day,
    look,
    swaps: z.array(swap).max(200),
  })
  .refine(({ from, to }) => calendarSpans(from, to) !== null, 'no day lies between these')
  .refine(
    ({ swaps }) => new Set(swaps.map((each) => each.from)).size === swaps.length,
    'one file cannot be replaced by two',
  )
export type Season = z.infer<typeof season>

const isOn = ({ from, to }: Pick<Season, 'from' | 'to'>, on: Pick<LocalMoment, 'dayOfYear' | 'day'>): boolean => {
  const within = calendarSpans(from, to)
  const at = within?.scale === 'date' ? on.day : on.dayOfYear
  return within?.spans.some(([first, last]) => at >= first && at <= last) ?? false
}

/** The season of a day: of several the first in their order; null for an everyday. */
export function seasonOn(seasons: readonly Season[], on: Pick<LocalMoment, 'dayOfYear' | 'day'>): Season | null {
  return seasons.find((each) => isOn(each, on)) ?? null
}

/** What all alerts of a box wear: a look, and the files that take others' places. */
export type Dress = Pick<Season, 'look' | 'swaps'>

/** What a box wears on a day: its season's look and files, else the everyday ones. */
export function dressOn(
  { look: everyday, seasons }: { look: Look; seasons: readonly Season[] },
  on: Pick<LocalMoment, 'dayOfYear' | 'day'>,
): Dress {
  return seasonOn(seasons, on) ?? { look: everyday, swaps: [] }
}

/** The same at a moment of a channel's day. The clock is only asked where there are seasons. */
export function dressAt(box: { look: Look; seasons: readonly Season[] }, atMs: number, timeZone: string): Dress {
  return box.seasons.length === 0 ? { look: box.look, swaps: [] } : dressOn(box, localMoment(atMs, timeZone))
}

/** A stretch of a year with one dress; null: the everyday one. */
export interface YearStretch {
  seasonId: string | null
  /** Days since 1970, both included. */
  first: number
  last: number
}

/** A year as it will look, day by day, in stretches. */
export function yearOf(seasons: readonly Season[], year: number): YearStretch[] {
  const first = Date.UTC(year, 0, 1) / 86_400_000
  const last = Date.UTC(year + 1, 0, 1) / 86_400_000 - 1
  const stretches: YearStretch[] = []
  for (let at = first; at <= last; at++) {
    const seasonId = seasonOn(seasons, calendarDay(at))?.id ?? null
    const before = stretches.at(-1)
    if (before?.seasonId === seasonId) before.last = at
    else stretches.push({ seasonId, first: at, last: at })
  }
  return stretches
}

/**
 * Seasons that never show on some of their days, because an earlier one has these: by how many days of a common year,
 * or of their own dates.
 */
export function hiddenDays(seasons: readonly Season[], ofYear: number): { id: string; by: string; days: number }[] {
  const firstDay = Date.UTC(ofYear, 0, 1) / 86_400_000
  const dayCount = Date.UTC(ofYear + 1, 0, 1) / 86_400_000 - firstDay
  const found = new Map<string, { id: string; by: string; days: number }>()
  for (let at = 0; at < dayCount; at++) {
    const on = calendarDay(firstDay + at)
    const [first, ...others] = seasons.filter((each) => isOn(each, on))
    for (const hidden of first ? others : []) {
      const key = `${hidden.id}/${first?.id}`
      found.set(key, { id: hidden.id, by: first?.id ?? '', days: (found.get(key)?.days ?? 0) + 1 })
    }
  }
  return [...found.values()]
}

/** Which way a season's days are written. */
export const scaleOf = ({ from, to }: Pick<Season, 'from' | 'to'>): CalendarScale =>
  calendarSpans(from, to)?.scale ?? 'season'
