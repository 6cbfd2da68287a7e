/**
 * Whether a minute of the day lies within hours, which may go over midnight; the same twice is the whole day.
 * @param minute since midnight
 */
export function isWithinHours({ from, until }: { from: number; until: number }, minute: number): boolean {
  return from < until ? minute >= from && minute < until : minute >= from || minute < until
}
