import type { FontAddress } from '../../core/score/resolved.ts'
import { emoji } from './emojiPictures.ts'
import type { FontUse } from '../preload/fonts.ts'

/** One file of a typeface as the page knows it, and which of the letters come from it. */
export interface FontFile {
  url: string
  family: string
  weight: string
  style: string
  letters: string
}

/** From where to where the letters of a file go, as style sheets write it. */
type Span = readonly [from: number, to: number]

interface Face extends Omit<FontFile, 'letters'> {
  spans: readonly Span[]
}

const everything: readonly Span[] = [[0, 0x10ffff]]

/** `U+0-FF, U+4??, U+20AC` as spans. */
export function spansOf(range: string): readonly Span[] {
  const spans = range.split(',').flatMap((piece): Span[] => {
    const [, from = '', to] = /^U\+([0-9A-F?]+)(?:-([0-9A-F]+))?$/i.exec(piece.trim()) ?? []
    if (from === '') return []
    const first = Number.parseInt(from.replaceAll('?', '0'), 16)
    return [[first, Number.parseInt(to ?? from.replaceAll('?', 'F'), 16)]]
  })
  return spans.length > 0 ? spans : everything
}

const known = new WeakMap<CSSStyleSheet, Map<string, Face[]>>()

/** The other way round: letters as style sheets write which they are. */
export const rangeOf = (letters: string) =>
  [...letters].map((letter) => `U+${(letter.codePointAt(0) ?? 0).toString(16)}`).join(',')

/** The typefaces of a style sheet, by family. */
function facesIn(sheet: CSSStyleSheet): Map<string, Face[]> {
  const made = known.get(sheet)
  if (made) return made
  const faces = new Map<string, Face[]>()
  for (const rule of rulesOf(sheet)) {
    if (!(rule instanceof CSSFontFaceRule)) continue
    const value = (name: string) => rule.style.getPropertyValue(name)
    const [, address = ''] = /url\("?([^")]+)"?\)/.exec(value('src')) ?? []
    const family = value('font-family').replaceAll(/["']/g, '')
    if (address === '' || family === '') continue
    const face: Face = {
      url: new URL(address, sheet.href ?? document.baseURI).href,
      family,
      weight: value('font-weight') || 'normal',
      style: value('font-style') || 'normal',
      spans: spansOf(value('unicode-range')),
    }
    faces.set(family, [...(faces.get(family) ?? []), face])
  }
  known.set(sheet, faces)
  return faces
}

/** A sheet from elsewhere does not let itself be read. */
function rulesOf(sheet: CSSStyleSheet): Iterable<CSSRule> {
  try {
    return sheet.cssRules
  } catch {
    return []
  }
}

/**
 * The files that these letters are drawn with, each with its letters in their order.
 * @param emojiAre drawn by themselves, as in pictures, or letters like others
 */
export function fontFilesOf(
  uses: readonly FontUse[],
  own: Readonly<Record<string, FontAddress>> = {},
  emojiAre: 'drawn' | 'letters' = 'drawn',
): FontFile[] {
  const files = new Map<string, { face: Face; letters: Set<string> }>()
  for (const { family, letters } of uses) {
    const address = own[family]
    const faces: readonly Face[] = address
      ? [{ ...ownFace(family, address), spans: everything }]
      : [...document.styleSheets].flatMap((sheet) => facesIn(sheet).get(family) ?? [])
    for (const face of faces) {
      const key = [face.url, face.weight, face.style].join(' ')
      const file = files.get(key) ?? { face, letters: new Set<string>() }
      for (const letter of letters) {
        if (emojiAre === 'drawn' && emoji.test(letter)) continue
        const code = letter.codePointAt(0) ?? 0
        if (face.spans.some(([from, to]) => code >= from && code <= to)) file.letters.add(letter)
      }
      if (file.letters.size > 0) files.set(key, file)
    }
  }
  return [...files.values()].map(({ face: { spans: _spans, ...face }, letters }) => ({
    ...face,
    letters: [...letters].sort().join(''),
  }))
}

const ownFace = (family: string, { url, weights: [from, to] }: FontAddress) => ({
  url: new URL(url, document.baseURI).href,
  family,
  weight: from === to ? String(from) : `${from} ${to}`,
  style: 'normal',
})
