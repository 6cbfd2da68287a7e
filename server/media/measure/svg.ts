import { SaxesParser } from 'saxes'
import sharp from 'sharp'
import { limits } from './limits.ts'
import type { Measurement } from './measurement.ts'
import { measurePicture } from './picture.ts'
import { Refusal } from './refusal.ts'
import { motionOf } from './svgMotion.ts'

const plainSvg = 'Export it as “plain SVG”, with pictures and fonts inside, or as PNG.'
const maxElements = 20_000
/** Long words take as long to lay out as they are long, squared. */
const maxLetters = 5_000
/** The longest side of what is drawn from a vector picture: sharp on a canvas of full HD. */
const drawnSidePx = 1600

const forbidden = new Set([
  'script',
  'foreignobject',
  'iframe',
  'object',
  'embed',
  'audio',
  'video',
  'handler',
  'listener',
])
const localName = (name: string) => name.slice(name.indexOf(':') + 1).toLowerCase()
const isInside = (address: string) => /^\s*(#|data:image\/(png|jpeg|gif|webp);base64,)/i.test(address)

const unescapedCss = (css: string) =>
  css.replaceAll(/\\([0-9a-f]{1,6})\s?|\\(.)/gi, (_, code?: string, letter?: string) =>
    code === undefined ? (letter ?? '') : String.fromCodePoint(Math.min(0x10ffff, Number.parseInt(code, 16))),
  )

/**
 * Refuses what a picture has no use for: scripts, other addresses, entities. Everything else is only drawn, never run.
 */
export function checkSvg(text: string): void {
  const parser = new SaxesParser()
  let elements = 0
  let letters = 0
  /** Style sheets in which it stands, one in another where somebody means harm. */
  let sheets = 0
  const styleAddresses = (css: string) => {
    // Written in another way so that it is not seen: nobody does that by chance.
    if (/\\/.test(css) && /@import|url\(|image-set\(/i.test(unescapedCss(css)))
      throw new Refusal('The SVG loads something from elsewhere.', plainSvg)
    if (/image-set\s*\(/i.test(css)) throw new Refusal('The SVG loads something from elsewhere.', plainSvg)
    if (/@import/i.test(css)) throw new Refusal('The SVG loads a style sheet from elsewhere.', plainSvg)
    for (const [, address = ''] of css.matchAll(/url\(\s*['"]?([^'")]*)/gi))
      if (!isInside(address)) throw new Refusal('The SVG loads something from elsewhere.', plainSvg)
  }
  parser.on('doctype', (doctype) => {
    if (/\[|ENTITY/i.test(doctype)) throw new Refusal('The SVG declares entities.', plainSvg)
  })
  parser.on('processinginstruction', ({ target }) => {
    if (target.toLowerCase() !== 'xml') throw new Refusal('The SVG loads a style sheet from elsewhere.', plainSvg)
  })
  parser.on('closetag', ({ name }) => {
    if (localName(name) === 'style') sheets -= 1
  })
  parser.on('opentag', ({ name, attributes }) => {
    if (localName(name) === 'style') sheets += 1
    elements += 1
    if (elements > maxElements) throw new Refusal(`The SVG has more than ${maxElements} elements.`, 'Export it as PNG.')
    if (elements === 1 && localName(name) !== 'svg')
      throw new Refusal('The file is XML, but no SVG.', 'Export it as PNG or SVG.')
    if (forbidden.has(localName(name)))
      throw new Refusal(`The SVG contains <${localName(name)}>, which could run.`, plainSvg)
    if (/^(?:animate|set)/.test(localName(name)) && /^(?:xlink:)?href$|^on/i.test(attributes.attributeName ?? ''))
      throw new Refusal('The SVG changes an address while it moves.', plainSvg)
    for (const [attribute, value] of Object.entries(attributes)) {
      const short = localName(attribute)
      if (short.startsWith('on')) throw new Refusal('The SVG contains a script.', plainSvg)
      if ((short === 'href' || short === 'src') && !isInside(value) && localName(name) !== 'a')
        throw new Refusal('The SVG loads something from elsewhere.', plainSvg)
      if (!attribute.startsWith('xmlns')) styleAddresses(value)
    }
  })
  parser.on('text', (text) => {
    if (sheets === 0) letters += text.trim().length
    if (letters > maxLetters)
      throw new Refusal(
        `The SVG has more than ${maxLetters} letters of words.`,
        'Turn its words into shapes, or export it as PNG.',
      )
    styleAddresses(text)
  })
  parser.on('cdata', styleAddresses)
  try {
    parser.write(text).close()
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw new Refusal('The SVG is not well-formed XML.', plainSvg)
  }
  if (elements === 0) throw new Refusal('The SVG is empty.', plainSvg)
}

/** More than these make a page stutter. */
const maxMoving = 300

/**
 * A vector picture that stands still is drawn once, here, and kept as PNG: nothing of it reaches a browser. One that moves is kept
 * as it is, and drawn by browsers in a document of its own; what it holds was checked, and nothing in there runs or is fetched.
 */
export async function measureSvg(bytes: Uint8Array): Promise<Measurement> {
  const text = new TextDecoder('utf-8').decode(bytes)
  checkSvg(text)
  const drawn = await draw(bytes)
  const still = { ...(await measurePicture(drawn, 'image/png')), converted: drawn }
  const motion = motionOf(text)
  if (!motion || still.measured.of !== 'picture') return still
  if (motion.count > maxMoving)
    return {
      ...still,
      measured: {
        ...still.measured,
        standsStill: `${motion.count} things in it move; more than ${maxMoving} make a page stutter`,
      },
    }
  const { widthPx, heightPx, seen } = still.measured
  return {
    ...still,
    mime: 'image/svg+xml',
    converted: null,
    measured: {
      ...still.measured,
      ...{ frameCount: motion.count, durationMs: motion.roundMs, isEndless: motion.isEndless, codec: 'svg' },
      // What moves may come from anywhere in it.
      seen: seen && { ...seen, ink: { xPx: 0, yPx: 0, widthPx, heightPx } },
    },
  }
}

async function draw(bytes: Uint8Array): Promise<Buffer> {
  try {
    const { width, height } = await sharp(bytes, { density: 72, limitInputPixels: false }).metadata()
    const density = Math.min(2400, Math.max(1, (72 * drawnSidePx) / Math.max(1, width, height)))
    return await sharp(bytes, { density, limitInputPixels: limits.pixels })
      .resize(drawnSidePx, drawnSidePx, { fit: 'inside' })
      .png()
      .timeout({ seconds: 10 })
      .toBuffer()
  } catch {
    throw new Refusal('The SVG cannot be drawn.', plainSvg)
  }
}
