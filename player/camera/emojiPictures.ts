import { blank } from './blank.ts'
import { stillOf } from './stills.ts'

/**
 * Emoji are drawn by the page, which has their typeface whole: cut down to some letters it loses its colours, and whole it is too
 * large to stand in every picture.
 */
export const emoji = /\p{Emoji_Presentation}|\p{Emoji}\uFE0F|(?![©®™])\p{Extended_Pictographic}/u

const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' })

/** Drawn so much larger than they are: what stands on a stage may be grown. */
const sharpness = 2

/** An emoji as the page draws it in a text of that style, with its shadow: as wide as it is, on its baseline. */
function drawnEmoji(cluster: string, style: CSSStyleDeclaration): HTMLElement | null {
  const { fontSize, fontFamily, fontWeight, letterSpacing, textShadow, color } = style
  const sizePx = Number.parseFloat(fontSize)
  const measure = blank(1, 1).getContext('2d')
  if (!measure || !(sizePx > 0)) return null
  measure.font = `${fontWeight} ${sizePx}px ${fontFamily}`
  const widthPx = measure.measureText(cluster).width
  const { inkOf, xPx, yPx, blurPx } = shadowOf(textShadow)
  const padPx = Math.ceil(sizePx * 0.3 + Math.abs(xPx) + Math.abs(yPx) + blurPx * 2)
  const abovePx = sizePx * 1.2 + padPx
  const belowPx = sizePx * 0.4 + padPx
  const key = [cluster, measure.font, textShadow, color].join('\n')
  const still = stillOf(key, () => {
    const canvas = blank((widthPx + 2 * padPx) * sharpness, (abovePx + belowPx) * sharpness)
    const context = canvas.getContext('2d')
    if (!context) return null
    context.scale(sharpness, sharpness)
    context.font = measure.font
    // A sign that the typeface of the text has is drawn by that.
    context.fillStyle = color
    if (inkOf !== null)
      Object.assign(context, {
        shadowColor: inkOf,
        // A shadow of a canvas is not grown with what throws it.
        shadowOffsetX: xPx * sharpness,
        shadowOffsetY: yPx * sharpness,
        shadowBlur: blurPx * sharpness,
      })
    context.fillText(cluster, padPx, abovePx)
    return canvas.toDataURL()
  })
  if (!still) return null
  still.style.cssText = `position:absolute;left:${-padPx}px;bottom:${-belowPx}px;width:${widthPx + 2 * padPx}px;max-width:none`
  const place = document.createElement('span')
  const advancePx = widthPx + (Number.parseFloat(letterSpacing) || 0)
  place.style.cssText = `display:inline-block;position:relative;height:0;width:${advancePx}px`
  place.append(still)
  return place
}

/** The first shadow of a computed `text-shadow`: its colour, then three lengths. */
function shadowOf(textShadow: string): { inkOf: string | null; xPx: number; yPx: number; blurPx: number } {
  const [, inkOf, xPx, yPx, blurPx] =
    /^((?:rgb|color|oklch)[^)]*\)) (-?[\d.]+)px (-?[\d.]+)px ([\d.]+)px/.exec(textShadow) ?? []
  if (inkOf === undefined) return { inkOf: null, xPx: 0, yPx: 0, blurPx: 0 }
  return { inkOf, xPx: Number(xPx), yPx: Number(yPx), blurPx: Number(blurPx) }
}

/** A text in which emoji are pictures on its baseline, as wide as they are. */
function piecesOf(text: string, style: CSSStyleDeclaration): Node[] {
  const pieces: Node[] = []
  let plain = ''
  const flush = () => {
    if (plain !== '') pieces.push(document.createTextNode(plain))
    plain = ''
  }
  for (const { segment } of segmenter.segment(text)) {
    const drawn = emoji.test(segment) ? drawnEmoji(segment, style) : null
    if (!drawn) {
      plain += segment
      continue
    }
    flush()
    pieces.push(drawn)
  }
  flush()
  return pieces
}

/**
 * Puts pictures in the place of the emoji in a copy.
 * @param original what was copied, in the document
 * @param drawnIn the attribute that holds letters which are drawn but not said
 */
export function drawEmoji(original: Node, copied: Node, drawnIn: string): void {
  if (original instanceof Text) {
    if (original.parentElement && emoji.test(original.data) && copied instanceof Text)
      copied.replaceWith(...piecesOf(original.data, getComputedStyle(original.parentElement)))
    return
  }
  // Those that are put in the place of one move the others on.
  const copies = [...copied.childNodes]
  ;[...original.childNodes].forEach((child, index) => {
    const copy = copies[index]
    if (copy) drawEmoji(child, copy, drawnIn)
  })
  if (!(original instanceof HTMLElement) || !(copied instanceof HTMLElement)) return
  const letters = original.getAttribute(drawnIn)
  if (letters === null || !emoji.test(letters)) return
  copied.removeAttribute(drawnIn)
  copied.prepend(...piecesOf(letters, getComputedStyle(original)))
}
