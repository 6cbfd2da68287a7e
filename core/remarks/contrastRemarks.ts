import { contrast, over } from '../colour/contrast.ts'
import type { Canvas } from '../composition/canvas.ts'
import { areaOf, sharedArea, type CanvasBox } from '../composition/canvasBox.ts'
import { hexOfRgb, rgbOfHex } from '../colour/oklch.ts'
import { isTextPart, type ResolvedPart, type ResolvedTextPart } from '../score/resolved.ts'
import { isWithinClip, motionScale } from '../score/standing.ts'
import type { TextLayout } from '../text/textLayout.ts'
import { plainText } from '../text/textPiece.ts'
import { nameOf, type Remark, type RemarkContext } from './remark.ts'
import { restingBox } from './restingBox.ts'

/** WCAG 2.2 § 1.4.3: body text and large text. */
const bodyRatio = 4.5
const largeRatio = 3
/** Text is large from this size on, on a canvas 1080 high (24 CSS pixels seen at half size). */
const largeSizePx = 48
/** An outline so wide (in font sizes) is what a letter is read against. */
const tellingOutlineEm = 0.04
/** A part that covers so much of a text lies behind all of it. */
const behindRatio = 0.9
const momentsLooked = 9

/**
 * Text that cannot be told from what lies behind it, at the worst of several moments of its stay. Judged against its
 * own outline where that is wide enough; else against the plate, shape or pictures behind it, and where nothing is
 * behind it against the person's own scene, or against black and white alike.
 */
export function contrastRemarks(context: RemarkContext): Remark[] {
  const { score, layouts } = context
  return score.parts.flatMap((part): Remark[] => {
    if (part.kind === 'draw') return drawRemarks(context, part)
    const layout = layouts.get(part.id)
    if (!isTextPart(part) || !layout || layout.lines.length === 0) return []
    const { inks, isOutlined, needed } = readingOf(score.canvas, layout, part)
    const behind = isOutlined ? [part.outlineInk] : coloursBehind(context, part)
    const worst = Math.min(...inks.flatMap((ink) => behind.map((colour) => contrast(ink, colour))))
    if (!(worst < needed)) return []
    const against = isOutlined ? 'its own outline' : 'what lies behind it'
    return [
      {
        type: 'lowContrast',
        partId: part.id,
        level: 'wrong',
        words: `“${nameOf(context, part.id)}” has a contrast of ${worst.toFixed(1)} : 1 against ${against}; ${needed} : 1 is needed to read it.`,
        remedy: isOutlined ? null : { type: 'outlineText', partId: part.id, label: 'Give it an outline' },
      },
    ]
  })
}

/** What a text is read by: its colours, the contrast that its size needs, and whether its outline tells it from what is behind. */
export function readingOf(canvas: Canvas, { sizePx }: TextLayout, part: ResolvedTextPart) {
  const inked = part.pieces.filter((piece) => !piece.emoteUrl && piece.text.trim())
  return {
    inks: [...new Set(inked.map(({ isValue }) => (isValue ? part.highlightInk : part.ink)))],
    isOutlined: part.outlinePx >= sizePx * tellingOutlineEm,
    needed: sizePx >= largeSizePx * motionScale(canvas) ? largeRatio : bodyRatio,
  }
}

/** The small words of a draw: names on packets of either paper, and what runs along the frame of its shelf. */
function drawRemarks(context: RemarkContext, part: Extract<ResolvedPart, { kind: 'draw' }>): Remark[] {
  const papers = part.prizes.some(({ isRare }) => isRare) ? [part.packetInk, part.rareInk] : [part.packetInk]
  const worst = (ink: string, behind: readonly string[]) => Math.min(...behind.map((colour) => contrast(ink, colour)))
  const words = [
    { of: 'The names on the packets', ratio: worst(part.labelInk, papers) },
    ...(plainText(part.face).trim() === ''
      ? []
      : [{ of: 'The words on the shelf', ratio: worst(part.ink, [part.frameInk]) }]),
  ]
  return words.flatMap(({ of, ratio }): Remark[] =>
    ratio >= bodyRatio
      ? []
      : [
          {
            type: 'lowContrast',
            partId: part.id,
            level: 'wrong',
            words: `${of} of “${nameOf(context, part.id)}” have a contrast of ${ratio.toFixed(1)} : 1 against what they stand on; ${bodyRatio} : 1 is needed to read them.`,
            remedy: null,
          },
        ],
  )
}

/** A part that lies behind a text: how much of the text it covers, and the colours that it shows. */
interface Behind {
  part: Extract<ResolvedPart, { kind: 'backdrop' | 'shape' | 'picture' }>
  shared: number
  colours: readonly string[]
}

function coloursBehind(context: RemarkContext, text: ResolvedTextPart): string[] {
  const { score } = context
  const box = restingBox(score, context.layouts, text)
  if (!box) return []
  const behind = score.parts.slice(0, score.parts.indexOf(text)).flatMap((part) => behindOf(context, part, box))
  const scene = context.sceneColours?.(box) ?? ['#000000', '#FFFFFF']
  const colours = new Set<string>()
  const from = text.startMs + text.entrance.ms
  const to = text.endMs - text.exit.ms
  for (let look = 0; look < momentsLooked; look++) {
    const atMs = from + ((to - from) * look) / momentsLooked
    for (const colour of blend(
      scene,
      behind.filter(({ part }) => isWithinClip(part, atMs)),
    ))
      colours.add(colour)
  }
  return [...colours]
}

function behindOf(context: RemarkContext, part: ResolvedPart, box: CanvasBox): Behind[] {
  if (part.kind !== 'backdrop' && part.kind !== 'shape' && part.kind !== 'picture') return []
  const partBox = restingBox(context.score, context.layouts, part)
  const shared = partBox ? sharedArea(box, partBox) / areaOf(box) : 0
  const colours = coloursOf(context, part)
  return shared > 0 && colours.length > 0 ? [{ part, shared, colours }] : []
}

/** Every colour that may lie under a text: each part from the back to the front covers or joins what is there. */
function blend(scene: readonly string[], behind: readonly Behind[]): string[] {
  let colours = [...scene]
  for (const { part, shared, colours: own } of behind) {
    const blended = own.flatMap((ink) =>
      colours.map((colour) => hexOfRgb(over(rgbOfHex(ink), rgbOfHex(colour), part.opacity))),
    )
    // A picture has holes, and what covers only a piece leaves the rest as it was.
    colours = part.kind !== 'picture' && shared >= behindRatio ? blended : [...colours, ...blended]
    colours = [...new Set(colours)].slice(0, 64)
  }
  return colours
}

function coloursOf(context: RemarkContext, part: Behind['part']): readonly string[] {
  if (part.kind === 'backdrop') return [part.ink]
  if (part.kind === 'shape') return part.fill ? [part.fill] : []
  return part.mediaId ? (context.pictureColours[part.mediaId] ?? []) : []
}
