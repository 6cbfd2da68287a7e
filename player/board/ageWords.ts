const units = [
  { unit: 'day', ms: 86_400_000 },
  { unit: 'hour', ms: 3_600_000 },
  { unit: 'minute', ms: 60_000 },
] as const

const formats = new Map<string, Intl.NumberFormat>()

/** How long ago something was, as short as it can be said: `3 min`, `2 h`; *now* is nothing. */
export function ageWords(ms: number, locale = document.documentElement.lang || 'en'): string {
  const unit = units.find((each) => ms >= each.ms)
  if (!unit) return ''
  const key = `${locale} ${unit.unit}`
  const format =
    formats.get(key) ?? new Intl.NumberFormat(locale, { style: 'unit', unit: unit.unit, unitDisplay: 'short' })
  formats.set(key, format)
  return format.format(Math.floor(ms / unit.ms))
}
