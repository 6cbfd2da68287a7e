import { frameAt, framesOf, type FilmPlan } from '../../core/film/filmPlan.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { prepareScore } from '../../player/prepare.ts'
import type { FilmAnswer, FilmOrder } from '../workers/film.worker.ts'
import { openFilmSound } from './filmSound.ts'
import { shootFrames } from './shootFrames.ts'

/** This browser has nothing that writes such a file. */
export class CannotWriteFilm extends Error {}

/** A film that was made. */
export interface Film {
  file: Blob
  /** How many files of the score could not be loaded: it was made without them. */
  missing: number
}

/** Frames that wait for being written: drawing and writing go on beside each other, and the memory stays small. */
const aheadMost = 3

/**
 * Makes a film of a score: every frame drawn by the player at its own moment, sound mixed as a source mixes it, written in a worker.
 * @param onFrame is told how many frames are drawn
 * @throws CannotWriteFilm; what the signal says; or where something of it breaks
 */
export async function makeFilm(
  score: ResolvedScore,
  plan: FilmPlan,
  signal: AbortSignal,
  onFrame: (done: number, of: number) => void,
): Promise<Film> {
  const sound = openFilmSound(score.lengthMs)
  const prepared = await prepareScore(score, plan.kind === 'webm' ? sound : null)
  signal.throwIfAborted()
  const writer = openWriter()
  try {
    await writer.give({ order: 'begin', plan, sound: await sound.mix(prepared) })
    const moments = Array.from({ length: framesOf(plan) }, (_, frame) => frameAt(plan, frame).at)
    const ahead: Promise<unknown>[] = []
    onFrame(0, moments.length)
    await shootFrames(prepared, plan, moments, signal, async (bitmap, frame) => {
      const given = writer.give({ order: 'frame', frame, bitmap }, [bitmap])
      // What is given up is not waited for any more.
      given.catch(() => undefined)
      ahead.push(given)
      if (ahead.length > aheadMost) await ahead.shift()
      onFrame(frame + 1, moments.length)
    })
    await Promise.all(ahead)
    const { file } = await writer.give({ order: 'end' })
    signal.throwIfAborted()
    if (!file) throw new Error('The film was not written')
    return { file, missing: prepared.missing.length }
  } finally {
    writer.close()
  }
}

function openWriter() {
  const worker = new Worker(new URL('../workers/film.worker.ts', import.meta.url), { type: 'module' })
  const waiting: ((answer: FilmAnswer) => void)[] = []
  worker.addEventListener('message', ({ data }: MessageEvent<FilmAnswer>) => waiting.shift()?.(data))
  worker.addEventListener('error', () => {
    for (const hear of waiting.splice(0)) hear({ answer: 'failed', why: 'broken' })
  })
  return {
    /** @throws where it cannot be followed */
    async give(order: FilmOrder, transfer: Transferable[] = []): Promise<{ file: Blob | null }> {
      const answer = await new Promise<FilmAnswer>((resolve) => {
        waiting.push(resolve)
        worker.postMessage(order, transfer)
      })
      if (answer.answer === 'failed')
        throw answer.why === 'cannot' ? new CannotWriteFilm() : new Error('The film could not be written')
      return { file: answer.answer === 'file' ? answer.file : null }
    },
    close: () => worker.terminate(),
  }
}
