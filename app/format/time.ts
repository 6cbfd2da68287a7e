/** Seconds with hundredths, e.g. `4.20`. */
export function seconds(ms: number): string {
  return (ms / 1000).toFixed(2)
}

/** How long ago or how long it takes, for people: `12 s`, `4 min`, `3 h`, `2 d`. */
export function span(ms: number): string {
  const s = Math.max(0, Math.round(ms / 1000))
  if (s < 90) return `${s} s`
  if (s < 5400) return `${Math.round(s / 60)} min`
  if (s < 129_600) return `${Math.round(s / 3600)} h`
  return `${Math.round(s / 86_400)} d`
}

/** The time of day, e.g. `01:12`. */
export function clockTime(ms: number): string {
  return new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}

/** A day of any year, as the channel writes it: "6 January". @param day days since 1970 */
export const dayAndMonth = (day: number, locale: string): string =>
  new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(day * 86_400_000)
