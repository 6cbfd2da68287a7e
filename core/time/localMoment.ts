/** A moment as a clock and a calendar on the wall show it. */
export interface LocalMoment {
  /** Minutes since midnight. */
  minute: number
  /** 0 is Monday. */
  weekday: number
  /** Place in a leap year: 0 is the 1st of January, 59 the 29th of February, 365 the 31st of December. */
  dayOfYear: number
  /** Days since the 1st of January 1970. */
  day: number
}

const dayMs = 86_400_000
const firstOfLeapYear = Date.UTC(2024, 0, 1)

/** A calendar day, by its number since the 1st of January 1970. */
export function calendarDay(day: number): Pick<LocalMoment, 'weekday' | 'dayOfYear' | 'day'> {
  const date = new Date(day * dayMs)
  return {
    day,
    weekday: (date.getUTCDay() + 6) % 7,
    dayOfYear: (Date.UTC(2024, date.getUTCMonth(), date.getUTCDate()) - firstOfLeapYear) / dayMs,
  }
}

/** How a calendar day is written in addresses and files: year, month, day. @param day since the 1st of January 1970 */
export const dateText = (day: number): string => new Date(day * dayMs).toISOString().slice(0, 10)

/** Making a format costs a hundred times what using it does. Emptied when somebody asks for ever more zones. */
const formats = new Map<string, Intl.DateTimeFormat>()
const formatsKept = 32

function formatOf(timeZone: string): Intl.DateTimeFormat {
  const kept = formats.get(timeZone)
  if (kept) return kept
  if (formats.size >= formatsKept) formats.clear()
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    calendar: 'iso8601',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    hourCycle: 'h23',
  })
  formats.set(timeZone, made)
  return made
}

/** The last that was asked for: in a flood all ask for the same minute again and again. */
let last: { key: string; moment: LocalMoment } | null = null

/**
 * What clock and calendar show at a moment in a time zone, summer time included.
 * @param timeZone IANA name. @throws RangeError for one that does not exist
 */
export function localMoment(atMs: number, timeZone: string): LocalMoment {
  const key = `${Math.floor(atMs / 60_000)} ${timeZone}`
  if (last?.key !== key) last = { key, moment: readMoment(atMs, timeZone) }
  return last.moment
}

function readMoment(atMs: number, timeZone: string): LocalMoment {
  const parts: Partial<Record<Intl.DateTimeFormatPartTypes, number>> = {}
  for (const { type, value } of formatOf(timeZone).formatToParts(atMs)) parts[type] = Number(value)
  const { year = 1970, month = 1, day = 1, hour = 0, minute = 0 } = parts
  return { minute: hour * 60 + minute, ...calendarDay(Date.UTC(year, month - 1, day) / dayMs) }
}

/**
 * The moment at which clock and calendar show this. Of an hour that summer time repeats, the first; of one that it
 * skips, the moment that lies as far behind the gap.
 */
export function momentAt(day: number, minute: number, timeZone: string): number {
  const wanted = day * dayMs + minute * 60_000
  const shown = (atMs: number) => {
    const local = localMoment(atMs, timeZone)
    return local.day * dayMs + local.minute * 60_000
  }
  const guess = wanted - (shown(wanted) - wanted)
  return guess - (shown(guess) - wanted)
}

const dayNumber = (date: string) => Math.round(Date.parse(`${date}T00:00:00Z`) / dayMs)

/**
 * The moments between which days of a calendar lie, the end not included; undefined where there is no such end.
 * @param days as `YYYY-MM-DD`, both included
 */
export const daysOf = (
  { from, until }: { from?: string | undefined; until?: string | undefined },
  timeZone: string,
): { fromMs: number | undefined; untilMs: number | undefined } => ({
  fromMs: from === undefined ? undefined : momentAt(dayNumber(from), 0, timeZone),
  untilMs: until === undefined ? undefined : momentAt(dayNumber(until) + 1, 0, timeZone),
})
