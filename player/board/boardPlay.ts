import { liveAt } from '../../core/board/liveKinds.ts'
import { allFallbackFamilies } from '../../core/text/fallbackFamilies.ts'
import type { BoardMoment, Row } from '../../core/board/slice.ts'
import type { ResolvedKinds, ResolvedLivePart, ResolvedPart, ResolvedScore } from '../../core/score/resolved.ts'
import type { Painter } from '../painters/paint.ts'
import { ensureSheet } from '../preload/fonts.ts'
import { loadStill } from '../preload/pictures.ts'
import type { BoardPlay, PlayedKind } from '../preparedScore.ts'
import { measured } from './bench.ts'
import { paintBar } from './paintBar.ts'
import { paintBelt } from './paintBelt.ts'
import { paintRows } from './paintRows.ts'
import { paintWords } from './paintWords.ts'
import { rowElement, type RowsPart } from './rowElement.ts'

type LivePainter<K extends ResolvedLivePart['kind']> = (
  part: ResolvedKinds[K],
  sprites: ReadonlyMap<string, HTMLImageElement>,
) => Painter<never>

const painters: { [K in ResolvedLivePart['kind']]: LivePainter<K> } = {
  bar: (part, sprites) => paintBar(part, sprites.get(part.mediaId ?? '') ?? null),
  list: (part) => (part.form === 'running' ? paintBelt(part) : paintRows(part)),
  chat: paintRows,
  top: paintRows,
  tally: paintWords,
  clock: paintWords,
  sponsor: paintRows,
}

/** What is written on nearly every board: loaded before it shows. Others come as rows bring them. */
const usualLetters = '0123456789.,:%€$£¥ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz…'

const played: PlayedKind<ResolvedLivePart> = {
  load(part, { score, sprites }) {
    // Their files come when rows have letters for them.
    const sheets = allFallbackFamilies.map((family) => ensureSheet(family))
    return part.kind === 'bar' && part.mediaId !== null
      ? [...sheets, loadPicture(score, part.mediaId, sprites)]
      : sheets
  },
  fonts: ({ text: { family, weight } }) => [{ family, weight, letters: usualLetters }],
  paint: (part, { sprites }) =>
    (painters[part.kind] as LivePainter<ResolvedLivePart['kind']>)(part as never, sprites) as unknown as Painter,
  builtFrom: (part, { sprites }) => part.kind === 'bar' && part.mediaId !== null && sprites.has(part.mediaId),
}

async function loadPicture(
  { media }: ResolvedScore,
  mediaId: string,
  sprites: Map<string, HTMLImageElement>,
): Promise<void> {
  const address = media[mediaId]
  if (!address) throw new Error('unknown file')
  sprites.set(mediaId, await loadStill(address.url))
}

/** Everything of a moment but how high rows are: that is measured here. */
export type ToldMoment = Omit<BoardMoment, 'heightOf'>

/** How often fonts have come with letters that were not there before. One listener for all boards of a page. */
let lettersCame = 0
let isListening = false
function listenForLetters(): void {
  if (isListening) return
  isListening = true
  document.fonts.addEventListener('loadingdone', () => (lettersCame += 1))
}

/**
 * Makes what plays the live parts of a board.
 * @param moment asked for each frame: what parts were told so far
 */
export function createBoardPlay(moment: () => ToldMoment): BoardPlay {
  const known = new Map<string, { part: ResolvedLivePart; heights: WeakMap<Row, number>; letters: number }>()
  listenForLetters()
  const heightOf = (partId: string, row: Row): number => {
    const of = known.get(partId)
    if (!of) return 0
    // What came later than its letters is measured again with them.
    if (of.letters !== lettersCame) {
      of.heights = new WeakMap()
      of.letters = lettersCame
    }
    const before = of.heights.get(row)
    if (before !== undefined) return before
    const { heightPx } = measured(rowElement(of.part as RowsPart, row).element)
    of.heights.set(row, heightPx)
    return heightPx
  }
  return {
    playedAs: () => played as unknown as PlayedKind<ResolvedPart>,
    showLive(part, tMs, { canvas }) {
      if (known.get(part.id)?.part !== part) known.set(part.id, { part, heights: new WeakMap(), letters: lettersCame })
      return liveAt(part, { ...moment(), heightOf }, tMs, canvas)
    },
  }
}
