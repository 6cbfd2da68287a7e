import { clockWords } from './clockWords.ts'
import { localMoment, momentAt } from './localMoment.ts'

const dayMs = 86_400_000

/** A moment as fields for date and time hold it, on the clock of a time zone: `2026-12-20T23:59`. */
export function localText(atMs: number, timeZone: string): string {
  const { day, minute } = localMoment(atMs, timeZone)
  return `${new Date(day * dayMs).toISOString().slice(0, 10)}T${clockWords(minute)}`
}

/** The moment that such a field says; null for what is none. */
export function momentOfText(text: string, timeZone: string): number | null {
  const [, date = '', hours, minutes] = /^(\d{4}-\d{2}-\d{2})T(\d{2}):(\d{2})/.exec(text) ?? []
  const day = Date.parse(`${date}T00:00:00Z`) / dayMs
  const minute = Number(hours) * 60 + Number(minutes)
  return Number.isInteger(day) && minute < 24 * 60 ? momentAt(day, minute, timeZone) : null
}
