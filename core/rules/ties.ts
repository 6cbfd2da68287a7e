import { foldCase } from '../text/foldCase.ts'
import { calendarDay } from '../time/localMoment.ts'
import { missing, type Dimension } from './dimension.ts'

/** From where to where a direction is left open: both included. */
export type SpanAt = (at: number) => readonly [first: number, last: number]

/** Whether directions that depend on each other can all lie in their spans at once. */
export type Tie = (spanAt: SpanAt) => boolean

const includes = ([first, last]: readonly [number, number], value: number) => value >= first && value <= last

/**
 * What holds between the directions of a space, exactly: a text and what it contains, what is known of a viewer, and
 * day, date and weekday. Of everything else each value goes with every other.
 */
export function tiesOf(dimensions: readonly Dimension[]): Tie[] {
  const textFields = [...new Set(dimensions.flatMap(({ field }) => (field.type === 'text' ? [field.id] : [])))]
  return [
    ...textFields.flatMap((id) => textTie(dimensions, id) ?? []),
    viewerTie(dimensions),
    calendarTie(dimensions),
  ].filter((tie) => tie !== null)
}

const placesOf = (dimensions: readonly Dimension[], isMeant: (dimension: Dimension) => boolean) =>
  dimensions.flatMap((dimension, at) => (isMeant(dimension) ? [{ at, dimension }] : []))

/**
 * A text that is one of those listed contains what it contains; any other contains with a text all that this contains,
 * and can avoid everything else. Missing in one direction it is missing in all. Quadratic in the contained texts.
 */
function textTie(dimensions: readonly Dimension[], fieldId: string): Tie | null {
  const ofField = placesOf(dimensions, ({ field }) => field.id === fieldId)
  if (ofField.length < 2) return null
  const whole = ofField.find(({ dimension }) => dimension.contained === null)
  const parts = ofField.flatMap(({ at, dimension }) =>
    dimension.contained === null ? [] : [{ at, text: dimension.contained }],
  )
  const listed = (whole?.dimension.values ?? []).map((value) => {
    const text = foldCase(value)
    return parts.map((part) => (text.includes(part.text) ? 1 : 0))
  })
  const brings = parts.flatMap(({ at, text }) =>
    parts.filter((other) => other.at !== at && text.includes(other.text)).map((other) => [at, other.at] as const),
  )
  return (spanAt) => {
    let canBeMissing = true
    let canBeThere = true
    for (const { at } of ofField) {
      const [first, last] = spanAt(at)
      if (first > missing) canBeMissing = false
      if (last < 0) canBeThere = false
    }
    if (canBeMissing) return true
    if (!canBeThere) return false
    const isOpen = (at: number, value: number) => includes(spanAt(at), value)
    // What must be contained brings what it contains itself.
    const isConsistent = brings.every(([at, other]) => isOpen(at, 0) || isOpen(other, 1))
    if (isConsistent && (whole === undefined || isOpen(whole.at, listed.length))) return true
    return listed.some(
      (contains, place) =>
        whole !== undefined &&
        isOpen(whole.at, place) &&
        contains.every((value, part) => isOpen(parts[part]?.at ?? 0, value)),
    )
  }
}

/** Nobody is anonymous and has a role; who comes for the first time has no last time, who comes again has one. */
function viewerTie(dimensions: readonly Dimension[]): Tie | null {
  const at = (id: string) => dimensions.findIndex(({ field }) => field.id === id)
  const [viewer, visit, since] = [at('viewer'), at('visit'), at('since')]
  const roles = placesOf(dimensions, ({ field }) => field.id === 'role').map((place) => place.at)
  if ([viewer, visit, since].filter((place) => place >= 0).length + Math.min(1, roles.length) < 2) return null
  const place = (id: number, value: string) => dimensions[id]?.values?.indexOf(value) ?? missing
  return (spanAt) => {
    // A kind that never says a field is missing there whatever the viewer.
    const allows = (direction: number, ...values: number[]) =>
      direction < 0 || values.some((value) => includes(spanAt(direction), value))
    const isSome = allows(viewer, place(viewer, 'named'), missing) && roles.every((role) => allows(role, 0, 1))
    const isNobody =
      allows(viewer, place(viewer, 'anonymous'), missing) &&
      allows(visit, missing) &&
      allows(since, missing) &&
      roles.every((role) => allows(role, 0, missing))
    const isFirst = allows(visit, place(visit, 'first')) && allows(since, missing)
    const isAgain = allows(visit, place(visit, 'again')) && (since < 0 || (spanAt(since)[1] ?? missing) >= 0)
    return isNobody || (isSome && (isFirst || isAgain))
  }
}

const dayMs = 86_400_000
/** Within so many years every day of the year falls on every weekday, also over a century without a leap day. */
const yearsOfAll = 40
const days = 7

/** A date has one weekday and one place in its year; of a day of the year and a weekday there is always a year. */
function calendarTie(dimensions: readonly Dimension[]): Tie | null {
  const at = (id: string) => dimensions.findIndex(({ field }) => field.id === id)
  const [date, season, weekday] = [at('date'), at('season'), at('weekday')]
  if (date < 0 || (season < 0 && weekday < 0)) return null
  return (spanAt) => {
    const [firstDay, lastDay] = spanAt(date)
    const weekdays = weekday < 0 ? ([0, days - 1] as const) : spanAt(weekday)
    const hasWeekday = (from: number, to: number) => {
      for (let day = from; day <= Math.min(to, from + days - 1); day++)
        if (includes(weekdays, calendarDay(day).weekday)) return true
      return false
    }
    if (season < 0) return hasWeekday(Math.max(0, firstDay), lastDay)
    const [firstSeason, lastSeason] = spanAt(season)
    const firstYear = new Date(Math.max(0, firstDay) * dayMs).getUTCFullYear()
    for (let year = firstYear; year < firstYear + yearsOfAll; year++) {
      const newYear = Date.UTC(year, 0, 1) / dayMs
      if (newYear > lastDay) return false
      const isLeap = new Date(Date.UTC(year, 1, 29)).getUTCMonth() === 1
      // Days of the year are counted as in a leap year: without a 29th of February the next ones come a day earlier.
      const offset = (place: number, isLast: boolean) =>
        isLeap || place < leapDay ? place : place - (place === leapDay && !isLast ? 0 : 1)
      const from = Math.max(firstDay, newYear + offset(firstSeason, false), 0)
      const to = Math.min(lastDay, newYear + offset(lastSeason, true))
      if (from <= to && hasWeekday(from, to)) return true
    }
    return false
  }
}

/** The 29th of February, counted from New Year. */
const leapDay = 59
