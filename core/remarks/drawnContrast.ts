import { luminance } from '../colour/contrast.ts'
import { rgbOfHex } from '../colour/oklch.ts'
import { areaOf, sharedArea, type CanvasBox } from '../composition/canvasBox.ts'
import { isSeenPart, isTextPart, type ResolvedPart, type ResolvedScore } from '../score/resolved.ts'
import type { TextLayouts } from '../score/shownKinds.ts'
import { contrastRemarks, readingOf } from './contrastRemarks.ts'
import { inSeconds, nameOf, type Remark, type RemarkContext } from './remark.ts'
import { restingBox } from './restingBox.ts'
import type { SeenText } from './seen.ts'

/** A text that has to be looked at as it is drawn: what lies behind it changes, and no list of colours tells it. */
export interface DrawnCheck {
  partId: string
  /** Where it lies while it stays, on the canvas. */
  box: CanvasBox
  inks: readonly string[]
  needed: number
  /** When it is looked at. */
  atMs: readonly number[]
  /** What is left out of the picture: the text, and what lies above it. */
  without: readonly string[]
}

const looks = 8
/** So much of a text has to lie over pictures before it is looked at. */
const overlapFrom = 0.1
/** A pixel so opaque is what letters stand on; through others one sees the scene, which nobody knows. */
const opaqueFrom = 128
/** So much of a text may be hard to read for a moment. */
const hardShareFrom = 0.25

const changes = (part: ResolvedPart) =>
  part.kind === 'particles' || part.kind === 'draw' || (part.kind === 'picture' && part.mediaId !== null)

/** The texts of a score that stand over pictures, unless an outline tells them from anything. Quadratic in the number of parts. */
export function drawnChecks(score: ResolvedScore, layouts: TextLayouts): DrawnCheck[] {
  return score.parts.flatMap((part, at): DrawnCheck[] => {
    const layout = layouts.get(part.id)
    if (!isTextPart(part) || !layout || layout.lines.length === 0) return []
    const { inks, isOutlined, needed } = readingOf(score.canvas, layout, part)
    const box = restingBox(score, layouts, part)
    if (isOutlined || inks.length === 0 || !box) return []
    const isOver = score.parts.slice(0, at).some((each) => {
      if (!isSeenPart(each) || !changes(each)) return false
      // Particles fly everywhere.
      if (each.kind === 'particles') return true
      const behind = restingBox(score, layouts, each)
      return behind !== null && sharedArea(box, behind) / areaOf(box) >= overlapFrom
    })
    if (!isOver) return []
    const fromMs = part.startMs + part.entrance.ms
    const untilMs = Math.max(fromMs + 1, part.endMs - part.exit.ms)
    return [
      {
        partId: part.id,
        box,
        inks,
        needed,
        atMs: Array.from({ length: looks }, (_, look) => Math.round(fromMs + ((untilMs - fromMs) * look) / looks)),
        without: score.parts.slice(at).map(({ id }) => id),
      },
    ]
  })
}

/**
 * How much of a text is hard to read over what was drawn behind it, and the contrast of that, in the middle.
 * @param rgba the pixels of its box, row by row, not premultiplied
 */
export function hardShare(
  rgba: Uint8ClampedArray,
  { inks, needed }: Pick<DrawnCheck, 'inks' | 'needed'>,
): { share: number; ratio: number } {
  const lights = inks.map((ink) => luminance(rgbOfHex(ink)))
  const hard: number[] = []
  const all = rgba.length / 4
  for (let at = 0; at < rgba.length; at += 4) {
    if ((rgba[at + 3] ?? 0) < opaqueFrom) continue
    const behind = luminance([(rgba[at] ?? 0) / 255, (rgba[at + 1] ?? 0) / 255, (rgba[at + 2] ?? 0) / 255])
    const ratio = Math.min(...lights.map((ink) => (Math.max(ink, behind) + 0.05) / (Math.min(ink, behind) + 0.05)))
    if (ratio < needed) hard.push(ratio)
  }
  hard.sort((a, b) => a - b)
  return { share: all === 0 ? 0 : hard.length / all, ratio: hard[Math.floor(hard.length / 2)] ?? needed }
}

/** The worst of several looks at a text; null where it can be read at each. */
export function worstLook(
  { partId, needed }: Pick<DrawnCheck, 'partId' | 'needed'>,
  taken: readonly { atMs: number; share: number; ratio: number }[],
): SeenText | null {
  const worst = taken.reduce<(typeof taken)[number] | null>(
    (most, each) => (most === null || each.share > most.share ? each : most),
    null,
  )
  return worst && worst.share >= hardShareFrom ? { partId, needed, ...worst } : null
}

/** Texts that were hard to read over what was drawn behind them, unless their colours have told so already. */
export function drawnContrastRemarks(context: RemarkContext): Remark[] {
  const texts = context.seen?.texts ?? []
  if (texts.length === 0) return []
  const told = new Set(contrastRemarks(context).map(({ partId }) => partId))
  const stillStands = (id: string) => {
    const part = context.score.parts.find((each) => each.id === id)
    const layout = context.layouts.get(id)
    return part && layout && isTextPart(part) && !readingOf(context.score.canvas, layout, part).isOutlined
  }
  return texts.flatMap(({ partId, atMs, share, ratio, needed }): Remark[] =>
    told.has(partId) || !stillStands(partId)
      ? []
      : [
          {
            type: 'contrastDrawn',
            partId,
            level: 'wrong',
            words: `“${nameOf(context, partId)}” stands on pictures: at ${inSeconds(atMs)} the contrast is ${ratio.toFixed(1)} : 1 under ${Math.round(share * 100)} % of it; ${needed} : 1 is needed to read it.`,
            remedy: { type: 'outlineText', partId, label: 'Give it an outline' },
          },
        ],
  )
}
