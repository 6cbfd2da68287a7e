const names = new Intl.DisplayNames(['en'], { type: 'language', fallback: 'code' })

/** What a language is called in the interface; a code that is none stays as it is. @param code BCP 47 */
export function languageName(code: string): string {
  try {
    return names.of(code) ?? code
  } catch {
    return code
  }
}
