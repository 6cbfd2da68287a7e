const known = new Map<string, string>()
const knownMost = 200

/** A locale that formats can be made for: the given one, or English where it is none (`de_DE!`, an empty text). */
export function knownLocale(locale: string): string {
  const kept = known.get(locale)
  if (kept !== undefined) return kept
  if (known.size >= knownMost) known.clear()
  const found = canonical(locale.replaceAll('_', '-')) ?? 'en'
  known.set(locale, found)
  return found
}

function canonical(locale: string): string | null {
  try {
    return Intl.getCanonicalLocales(locale)[0] ?? null
  } catch {
    return null
  }
}
