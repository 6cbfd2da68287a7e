import { calendarDay } from '../time/localMoment.ts'

/*
 * Stretches of time that rules name by their ends: `22:00` to `04:00` (the end is not part of it, and midnight may lie between),
 * `12-01` to `01-06` (each year, both days included, New Year may lie between), `2026-12-01` to `2026-12-24` (once, both included).
 */

export type CalendarScale = 'clock' | 'season' | 'date'

/** The last value of each scale: minutes of a day, days of a leap year, days since 1970. */
export const lastOnScale: Record<CalendarScale, number> = { clock: 1439, season: 365, date: 1_000_000 }

const dayMs = 86_400_000
const written = /^(?:(\d\d):(\d\d)|(?:(\d{4})-)?(\d\d)-(\d\d))$/

/** Which scale a text is on and where; null for no time and no day. */
export function placeOnScale(text: string): { scale: CalendarScale; at: number } | null {
  const [, hour, minute, year, month, day] = written.exec(text) ?? []
  if (hour !== undefined && minute !== undefined)
    return Number(hour) < 24 && Number(minute) < 60 ? { scale: 'clock', at: Number(hour) * 60 + Number(minute) } : null
  if (month === undefined || day === undefined) return null
  const date = new Date(Date.UTC(Number(year ?? 2024), Number(month) - 1, Number(day)))
  // A 31st of June would silently become the 1st of July.
  if (date.getUTCMonth() !== Number(month) - 1 || date.getUTCDate() !== Number(day)) return null
  const number = date.getTime() / dayMs
  return year === undefined ? { scale: 'season', at: calendarDay(number).dayOfYear } : { scale: 'date', at: number }
}

export type Span = [first: number, last: number]

/**
 * The values from one end to the other, both included, in one or two spans; null where the ends are none, or nothing
 * lies between.
 */
export function calendarSpans(from: string, to: string): { scale: CalendarScale; spans: Span[] } | null {
  const [start, end] = [placeOnScale(from), placeOnScale(to)]
  if (!start || start.scale !== end?.scale) return null
  const { scale, at: first } = start
  const last = scale === 'clock' ? end.at - 1 : end.at
  if (scale === 'clock' && first === end.at) return null
  if (first <= last) return { scale, spans: [[first, last]] }
  if (scale === 'date') return null
  return { scale, spans: [...(last >= 0 ? [[0, last] as Span] : []), [first, lastOnScale[scale]]] }
}
