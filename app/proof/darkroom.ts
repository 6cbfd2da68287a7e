import type { Canvas } from '../../core/composition/canvas.ts'
import type { FlashFinding } from '../../core/flash/flashMeter.ts'
import { drawnChecks, worstLook, type DrawnCheck } from '../../core/remarks/drawnContrast.ts'
import type { SeenText } from '../../core/remarks/seen.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { Turns } from '../../core/turns.ts'
import { develop, type Contact } from '../../player/camera/develop.ts'
import { expose, type Exposure, type FrameSize } from '../../player/camera/expose.ts'
import { fontFilesOf } from '../../player/camera/fontFiles.ts'
import { fontUses, prepareScore } from '../../player/prepare.ts'
import type { BoardPlay, PreparedScore } from '../../player/preparedScore.ts'
import { openHiddenStage } from './hiddenStage.ts'
import type { KeptPicture, ProofAnswer, ProofQuestion } from '../workers/proof.worker.ts'
import { breathe } from '../../player/camera/breathe.ts'
import { openFontCutter } from './fontCutter.ts'

/** What a picture is taken of. */
export interface Shot {
  score: ResolvedScore
  atMs: number
  board?: BoardPlay | undefined
}

/** The longer side of a picture of a proof sheet. */
const pictureSidePx = 480
/** Frames are only looked at for light: a pixel is a cell. */
const frameSidePx = 64
const framesPerSecond = 30
/** So many looks at a text are developed at once, so many frames: more keep the page waiting, fewer cost more each. */
const looksAtOnce = 4
const framesAtOnce = 12
/** Many moving letters take long to draw: of them fewer at once. */
const lettersAtOnce = 40_000

const weightOf = ({ layers }: Exposure) =>
  layers.reduce((sum, layer) => sum + (layer.is === 'markup' ? layer.markup.length : 0), 0)

const square = { widthPx: 1, heightPx: 1 }

const sizeOf = ({ widthPx, heightPx }: Pick<Canvas, 'widthPx' | 'heightPx'>, sidePx: number): FrameSize => {
  const scale = sidePx / Math.max(widthPx, heightPx)
  return { widthPx: Math.max(1, Math.round(widthPx * scale)), heightPx: Math.max(1, Math.round(heightPx * scale)) }
}

/** How a picture was fitted, for what is remarked of it. */
export interface TakenPicture extends KeptPicture {
  prepared: PreparedScore
}

/**
 * Where the player draws for proofs: on a stage of its own that nobody sees, a little at a time, so that the page goes on. All that
 * can be done elsewhere is done in workers. What is no longer wanted is left with what the signal says.
 */
export function openDarkroom() {
  const stage = openHiddenStage()
  const fonts = openFontCutter()
  const worker = new Worker(new URL('../workers/proof.worker.ts', import.meta.url), { type: 'module' })
  const waiting = new Map<number, (told: ProofAnswer | null) => void>()
  const turns = new Turns()
  let nextId = 1
  let isClosed = false
  worker.addEventListener('message', ({ data }: MessageEvent<ProofAnswer>) => {
    waiting.get(data.id)?.(data)
    waiting.delete(data.id)
  })
  const answerAll = () => {
    for (const hear of waiting.values()) hear(null)
    waiting.clear()
  }
  worker.addEventListener('error', answerAll)

  async function ask<Told extends ProofAnswer['told']>(
    told: Told,
    question: (id: number) => Extract<ProofQuestion, { id: number }>,
    transfer: Transferable[] = [],
  ): Promise<Extract<ProofAnswer, { told: Told }>> {
    if (isClosed) throw new Error('closed')
    const id = nextId++
    const answer = await new Promise<ProofAnswer | null>((resolve) => {
      waiting.set(id, resolve)
      worker.postMessage(question(id), transfer)
    })
    if (answer?.told !== told) throw new Error('A picture could not be worked on')
    return answer as Extract<ProofAnswer, { told: Told }>
  }

  async function exposeAt(
    prepared: PreparedScore,
    atMs: number,
    size: FrameSize,
    without: ReadonlySet<string> = new Set(),
  ): Promise<Exposure> {
    const scene = await stage.show(prepared, atMs)
    const exposure = expose(stage.root, scene, prepared.score.canvas, size, without)
    await breathe()
    return exposure
  }

  async function developed(exposures: Exposure[], size: FrameSize, prepared: readonly PreparedScore[]) {
    const own = Object.assign({}, ...prepared.map(({ score }) => score.fonts ?? {})) as NonNullable<
      ResolvedScore['fonts']
    >
    const contact = await develop(exposures, size, fontFilesOf(prepared.flatMap(fontUses), own), fonts.cut)
    const sheet = await sheetOf(contact, exposures.length)
    await breathe()
    return sheet
  }

  /** Pictures of some moments, all of one canvas; with `before`, beside others, and how much they differ. */
  async function take(
    shots: readonly Shot[],
    before: readonly Shot[] | null,
    signal: AbortSignal,
  ): Promise<TakenPicture[]> {
    return turns.take(async () => {
      const now = await photograph(shots, signal)
      const then = before ? await photograph(before, signal) : []
      const taken: TakenPicture[] = []
      for (const [index, { sheet, prepared }] of now.entries()) {
        const was = then[index]?.sheet ?? null
        const { pictures } = await ask('kept', (id) => ({ ask: 'keep', id, sheet, before: was }), [
          sheet.bitmap,
          ...(was ? [was.bitmap] : []),
        ])
        for (const picture of pictures) taken.push({ ...picture, prepared })
      }
      return taken
    })
  }

  /** One sheet for each shot. */
  async function photograph(shots: readonly Shot[], signal: AbortSignal) {
    const [first] = shots
    const size = sizeOf(first?.score.canvas ?? square, pictureSidePx)
    const taken: { sheet: Awaited<ReturnType<typeof developed>>; prepared: PreparedScore }[] = []
    for (const { score, atMs, board } of shots) {
      signal.throwIfAborted()
      const prepared = await prepareScore(score, null, board)
      await breathe()
      const exposure = await exposeAt(prepared, atMs, size)
      taken.push({ sheet: await developed([exposure], size, [prepared]), prepared })
    }
    return taken
  }

  /**
   * The flashes in a play, over darkness and over light: every frame of it is drawn.
   * @param without parts that are left out
   */
  async function flashesOf(
    score: ResolvedScore,
    signal: AbortSignal,
    without: ReadonlySet<string> = new Set(),
  ): Promise<(FlashFinding & { ground: 'dark' | 'bright' })[]> {
    return turns.take(async () => {
      const prepared = await prepareScore(score, null)
      const size = sizeOf(score.canvas, frameSidePx)
      const play = nextId++
      const count = Math.max(1, Math.ceil((score.lengthMs / 1000) * framesPerSecond))
      const { widthPx, heightPx } = score.canvas
      // The next frames are drawn while those before them are looked at.
      let looking: ReturnType<typeof askFlashes> | null = null
      let [atMs, exposures, weight]: [number[], Exposure[], number] = [[], [], 0]
      for (let frame = 0; frame < count; frame++) {
        if (signal.aborted) worker.postMessage({ ask: 'forget', play } satisfies ProofQuestion)
        signal.throwIfAborted()
        const at = Math.min(score.lengthMs - 1, Math.round((frame * 1000) / framesPerSecond))
        const exposure = await exposeAt(prepared, at, size, without)
        atMs.push(at)
        exposures.push(exposure)
        weight += weightOf(exposure)
        const isLast = frame === count - 1
        if (!isLast && exposures.length < framesAtOnce && weight < lettersAtOnce) continue
        const sheet = await developed(exposures, size, [prepared])
        await looking
        looking = askFlashes({ play, sheet, atMs, canvas: { widthPx, heightPx }, isLast })
        ;[atMs, exposures, weight] = [[], [], 0]
      }
      const found = await looking
      return [
        ...(found?.findings?.dark ?? []).map((each) => ({ ...each, ground: 'dark' as const })),
        ...(found?.findings?.bright ?? []).map((each) => ({ ...each, ground: 'bright' as const })),
      ]
    })
  }

  const askFlashes = (of: Omit<Extract<ProofQuestion, { ask: 'flashes' }>, 'ask' | 'id'>) =>
    ask('flashes', (id) => ({ ask: 'flashes', id, ...of }), [of.sheet.bitmap])

  /** The texts that are hard to read over the pictures behind them, as they are drawn. */
  async function hardTextsOf(score: ResolvedScore, signal: AbortSignal): Promise<SeenText[]> {
    return turns.take(async () => {
      const prepared = await prepareScore(score, null)
      const size = sizeOf(score.canvas, pictureSidePx)
      const found: SeenText[] = []
      for (const check of drawnChecks(score, prepared.layouts)) {
        signal.throwIfAborted()
        const looks: { atMs: number; share: number; ratio: number }[] = []
        for (let from = 0; from < check.atMs.length; from += looksAtOnce)
          looks.push(...(await lookAt(prepared, check, check.atMs.slice(from, from + looksAtOnce), size)))
        const worst = worstLook(check, looks)
        if (worst) found.push(worst)
      }
      return found
    })
  }

  async function lookAt(prepared: PreparedScore, check: DrawnCheck, atMs: readonly number[], size: FrameSize) {
    const without = new Set(check.without)
    const exposures: Exposure[] = []
    for (const at of atMs) exposures.push(await exposeAt(prepared, at, size, without))
    const sheet = await developed(exposures, size, [prepared])
    const scale = size.widthPx / prepared.score.canvas.widthPx
    const x = Math.min(size.widthPx - 1, Math.max(0, Math.round(check.box.left * scale)))
    const y = Math.min(size.heightPx - 1, Math.max(0, Math.round(check.box.top * scale)))
    const box = {
      x,
      y,
      width: Math.max(1, Math.min(size.widthPx, Math.round(check.box.right * scale)) - x),
      height: Math.max(1, Math.min(size.heightPx, Math.round(check.box.bottom * scale)) - y),
    }
    const { looks } = await ask(
      'contrast',
      (id) => ({
        ask: 'contrast',
        id,
        sheet,
        looks: atMs.map(() => ({ inks: check.inks, needed: check.needed, box })),
      }),
      [sheet.bitmap],
    )
    return looks.map((look, index) => ({ atMs: atMs[index] ?? 0, ...look }))
  }

  return {
    take,
    flashesOf,
    hardTextsOf,
    /** Pictures of files on one sheet, as a PNG. */
    print: async (pictures: { file: Blob; words: string }[], columns: number, title: string): Promise<Blob> =>
      (await ask('printed', (id) => ({ ask: 'print', id, pictures, columns, title }))).file,
    close() {
      isClosed = true
      stage.close()
      fonts.close()
      worker.terminate()
      answerAll()
    },
  }
}
export type Darkroom = ReturnType<typeof openDarkroom>

async function sheetOf({ sheet, columns, size }: Contact, count: number) {
  return { bitmap: await createImageBitmap(sheet), columns, ...size, count }
}
