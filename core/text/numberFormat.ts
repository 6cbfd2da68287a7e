import { knownLocale } from './knownLocale.ts'

/** Making a format costs a hundred times what using it does. Emptied when somebody asks for ever more of them. */
const formats = new Map<string, Intl.NumberFormat>()
const formatsKept = 128

/** How a locale writes numbers; one that nobody knows is written as English is. @param locale BCP 47 */
export function numberFormat(locale: string, options?: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = options ? locale + JSON.stringify(options) : locale
  const known = formats.get(key)
  if (known) return known
  if (formats.size >= formatsKept) formats.clear()
  const made = new Intl.NumberFormat(knownLocale(locale), options)
  formats.set(key, made)
  return made
}
