import { fontSlug } from '../../core/look/fontShelf.ts'

const sheets = new Map<string, Promise<boolean>>()

/** Adds the style sheet of a shipped family to the page once; its files come when letters need them. @returns false when there is no such family. */
export function ensureSheet(family: string): Promise<boolean> {
  const known = sheets.get(family)
  if (known) return known
  const adding = new Promise<boolean>((resolve) => {
    const link = document.createElement('link')
    link.rel = 'stylesheet'
    link.href = `/fonts/${fontSlug(family)}.css`
    link.addEventListener('load', () => resolve(true))
    link.addEventListener('error', () => {
      sheets.delete(family)
      resolve(false)
    })
    document.head.append(link)
  })
  sheets.set(family, adding)
  return adding
}

/** One use of a typeface: these letters will be drawn with it. */
export interface FontUse {
  family: string
  weight: number
  letters: string
}

/** Uses that were loaded before: they can be drawn at once. */
const ready = new Set<string>()
const keyOf = ({ family, weight, letters }: FontUse) => `${weight} ${family} ${letters}`

/**
 * Loads exactly the font files that these letters need and waits until they can be drawn.
 * @returns the families that could not be loaded; their text is drawn in a fallback.
 */
export async function loadFonts(uses: readonly FontUse[]): Promise<string[]> {
  const missing = new Set<string>()
  await Promise.all(
    uses.filter((use) => !ready.has(keyOf(use))).map(async ({ family, weight, letters }) => {
      if (!(await ensureSheet(family))) {
        missing.add(family)
        return
      }
      await document.fonts
        .load(`${weight} 40px "${family}"`, letters || ' ')
        .then(() => ready.add(keyOf({ family, weight, letters })))
        .catch(() => missing.add(family))
    }),
  )
  return [...missing]
}
