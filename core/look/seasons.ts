import * as z from 'zod'
import { calendarSpans, type CalendarScale } from '../rules/calendar.ts'
import { calendarDay, type LocalMoment } from '../time/localMoment.ts'
import { look, type Look } from './schema.ts'

const day = z.string().regex(/^(\d{4}-)?\d\d-\d\d$/, 'a day is written as MM-DD, or as YYYY-MM-DD where it is meant once')

/** A look for some days: of every year (`12-01` to `01-06`), or once (`2026-12-01` to `2026-12-24`). Both days are part of it. */
export const season = z
  .object({ id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/), from: day, to: day, look })
  .refine(({ from, to }) => calendarSpans(from, to) !== null, 'no day lies between these')
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

/** What a box looks like on a day: its season's look, else its everyday one. */
export function lookOn({ look: everyday, seasons }: { look: Look; seasons: readonly Season[] }, on: Pick<LocalMoment, 'dayOfYear' | 'day'>): Look {
  return seasonOn(seasons, on)?.look ?? everyday
}

/** Seasons that never show on some of their days, because an earlier one has these: by how many days of a common year, or of their own dates. */
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
export const scaleOf = ({ from, to }: Pick<Season, 'from' | 'to'>): CalendarScale => calendarSpans(from, to)?.scale ?? 'season'
