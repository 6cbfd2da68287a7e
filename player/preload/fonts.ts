import type { FontAddress } from '../../core/score/resolved.ts'
import { fontSlug } from '../../core/look/fontShelf.ts'

const sheets = new Map<string, Promise<boolean>>()

/**
 * Adds the style sheet of a shipped family to the page once; its files come when letters need them.
 * @returns false when there is no such family.
 */
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

const ownFonts = new Map<string, Promise<boolean>>()

/** Adds a channel's own font to the page once. @returns false when it cannot be loaded */
export function ensureOwnFont(family: string, { url, weights: [from, to] }: FontAddress): Promise<boolean> {
  const key = `${family} ${url}`
  const adding =
    ownFonts.get(key) ??
    new FontFace(family, `url(${url})`, { weight: from === to ? String(from) : `${from} ${to}` }).load().then(
      (face) => {
        document.fonts.add(face)
        return true
      },
      () => {
        ownFonts.delete(key)
        return false
      },
    )
  ownFonts.set(key, adding)
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
const readyMost = 500
const keyOf = ({ family, weight, letters }: FontUse) => `${weight} ${family} ${letters}`

/**
 * Loads exactly the font files that these letters need and waits until they can be drawn.
 * @returns the families that could not be loaded; their text is drawn in a fallback.
 */
export async function loadFonts(
  uses: readonly FontUse[],
  own: Readonly<Record<string, FontAddress>> = {},
): Promise<string[]> {
  const missing = new Set<string>()
  await Promise.all(
    uses
      .filter((use) => !ready.has(keyOf(use)))
      .map(async ({ family, weight, letters }) => {
        const address = own[family]
        if (!(await (address ? ensureOwnFont(family, address) : ensureSheet(family)))) {
          missing.add(family)
          return
        }
        await document.fonts
          .load(`${weight} 40px "${family}"`, letters || ' ')
          .then(() => {
            // Each name that is read has letters of its own: they are not kept for good.
            if (ready.size >= readyMost) ready.clear()
            ready.add(keyOf({ family, weight, letters }))
          })
          .catch(() => missing.add(family))
      }),
  )
  return [...missing]
}
