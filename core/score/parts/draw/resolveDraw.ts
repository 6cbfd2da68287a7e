import { resolveInk, resolveType } from '../../../look/resolveStyle.ts'
import { randomAt, seedOf } from '../../../random.ts'
import { fillTemplate } from '../../../text/fillTemplate.ts'
import type { TextPiece } from '../../../text/textPiece.ts'
import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import { drawPrize } from './drawnPrize.ts'
import type { DrawPart } from './schema.ts'
import { packetsSeen, passedBy, strokesOf, type Stroke } from './strokes.ts'

export interface ResolvedDraw extends ResolvedVisible {
  kind: 'draw'
  widthPx: number
  heightPx: number
  prizes: { name: string; mediaId: string | null; isRare: boolean }[]
  /** The prize of each packet of the row, by its place in `prizes`: the first `packetsSeen` stand on the shelf at the start. */
  row: number[]
  /** Which packet of the row is drawn: the one in the middle when the last stroke is done. */
  drawnAt: number
  strokes: Stroke[]
  /** When sliding begins, when it is done, and when the packet has opened. */
  slideFromMs: number
  slidUntilMs: number
  openUntilMs: number
  isMirrored: boolean
  shelfInk: string
  frameInk: string
  packetInk: string
  rareInk: string
  peelInk: string
  labelInk: string
  ink: string
  family: string
  weight: number
  face: TextPiece[]
  facePxPerS: number
  landing: DrawPart['landing']
}

/**
 * Settles a draw: which prize it is, and the row of packets that ends with it in the middle. Where its clip is shorter
 * than all of it takes, everything goes so much faster.
 */
export function resolveDraw(part: DrawPart, times: SolvedClip, context: PartContext): ResolvedDraw {
  const { look, seed, values, locale } = context
  const { widthPx, heightPx, prizes, rare, landing, isMirrored } = part
  const strokes = strokesOf(part.strokes)
  const drawn = drawPrize(part, seed)
  const drawnAt = passedBy(strokes) + (packetsSeen - 1) / 2
  const { family, weight } = resolveType(part.type, look)
  return {
    kind: 'draw',
    ...settleVisible(part, times, look),
    widthPx,
    heightPx,
    prizes: prizes.map(({ id, name, mediaId }) => ({ name, mediaId, isRare: id === rare?.prizeId })),
    row: rowOf(prizes.length, drawn, drawnAt, seed ^ seedOf(part.id)),
    drawnAt,
    strokes,
    ...momentsOf(part, times),
    isMirrored,
    shelfInk: resolveInk(part.shelfInk, look),
    frameInk: resolveInk(part.frameInk, look),
    packetInk: resolveInk(part.packetInk, look),
    rareInk: resolveInk(part.rareInk, look),
    peelInk: resolveInk(part.peelInk, look),
    labelInk: resolveInk(part.labelInk, look),
    ink: resolveInk(part.ink, look),
    family,
    weight,
    face: fillTemplate(part.face.template, values, locale),
    facePxPerS: part.face.pxPerS,
    landing,
  }
}

type Moments = Pick<ResolvedDraw, 'slideFromMs' | 'slidUntilMs' | 'openUntilMs'>

function momentsOf({ slideMs, openMs, showMs }: DrawPart, times: SolvedClip): Moments {
  const slideFromMs = times.startMs + times.entranceMs
  const roomMs = times.endMs - times.exitMs - slideFromMs
  const faster = Math.min(1, Math.max(0, roomMs) / (slideMs + openMs + showMs))
  const slidUntilMs = slideFromMs + slideMs * faster
  return { slideFromMs, slidUntilMs, openUntilMs: slidUntilMs + openMs * faster }
}

/** Packets in a row, no two alike side by side where there are enough prizes; the drawn one stands in its place. */
function rowOf(count: number, drawn: number, drawnAt: number, seed: number): number[] {
  const length = drawnAt + (packetsSeen + 1) / 2
  const row: number[] = []
  for (let at = 0; at < length; at++) {
    const pick = Math.floor(randomAt(seed, at) * count)
    const isClash = (index: number) => index === row[at - 1] || (at === drawnAt - 1 && index === drawn)
    const others = Array.from({ length: count }, (_, more) => (pick + more) % count)
    row.push(at === drawnAt ? drawn : (others.find((index) => !isClash(index)) ?? pick))
  }
  return row
}
