import { create, type Font } from 'fontkitten'
import type { Measurement } from './measurement.ts'
import { Refusal } from './refusal.ts'

const another = 'Take the WOFF2, TTF or OTF file of a single font.'

/** WOFF2, TTF and OTF. A browser checks every table again before it draws a letter. */
export function measureFont(bytes: Uint8Array, mime: string): Measurement {
  const font = open(bytes)
  const family = (font.familyName ?? '')
    .replaceAll(/[^\p{L}\p{N} .'-]/gu, '')
    .trim()
    .slice(0, 60)
  if (!family) throw new Refusal('The font does not say what it is called.', another)
  const axis = font.variationAxes?.wght
  const weight = Math.min(900, Math.max(100, font['OS/2']?.usWeightClass ?? 400))
  return {
    kind: 'font',
    mime,
    measured: {
      of: 'font',
      family,
      weights: axis ? [Math.max(100, axis.min), Math.min(900, axis.max)] : [weight, weight],
      isItalic: font.italicAngle !== 0,
      glyphCount: font.numGlyphs,
    },
    poster: null,
    strip: null,
    converted: null,
  }
}

function open(bytes: Uint8Array): Font {
  let opened: ReturnType<typeof create>
  try {
    opened = create(Buffer.from(bytes))
    if ('fonts' in opened) throw new Refusal('The file is a collection of several fonts.', another)
    // Tables are read when they are asked for: a font without letters or with a cut-off table shows itself here.
    if (!(opened.numGlyphs > 0) || opened.characterSet.length === 0) throw new Error('no letters')
    opened.glyphsForString('Ag').forEach((glyph) => glyph.path.toSVG())
    return opened as Font
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw new Refusal('The font cannot be read: it is damaged or incomplete.', another)
  }
}
