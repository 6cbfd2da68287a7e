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

/** How long something took, as people say it: `0.8 s`, `48 s`, `3 min 20 s`, `5 h 59 min`. */
export function lengthWords(ms: number): string {
  if (ms < 10_000) return `${(ms / 1000).toFixed(1)} s`
  const s = Math.round(ms / 1000)
  if (s < 90) return `${s} s`
  const minutes = Math.floor(s / 60)
  if (minutes < 60) return s % 60 === 0 ? `${minutes} min` : `${minutes} min ${s % 60} s`
  return minutes % 60 === 0 ? `${minutes / 60} h` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`
}

/** The time of day, e.g. `01:12`. */
export function clockTime(ms: number): string {
  return new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}

/** A day of any year, as the channel writes it: "6 January". @param day days since 1970 */
export const dayAndMonth = (day: number, locale: string): string =>
  new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(day * 86_400_000)
