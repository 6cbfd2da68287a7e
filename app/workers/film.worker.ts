import type { FilmWriter } from '../film/filmWriter.ts'
import { openWebmWriter } from '../film/webmWriter.ts'
import { openWebpWriter } from '../film/webpWriter.ts'
import type { FilmPlan } from '../../core/film/filmPlan.ts'
import type { FilmSound } from '../film/filmSound.ts'

export type FilmOrder =
  | { order: 'begin'; plan: FilmPlan; sound: FilmSound | null }
  | { order: 'frame'; frame: number; bitmap: ImageBitmap }
  | { order: 'end' }
/** Each order is answered, in turn. */
export type FilmAnswer =
  | { answer: 'done' }
  | { answer: 'file'; file: Blob }
  /** `cannot`: this browser has nothing that writes such a file. */
  | { answer: 'failed'; why: 'cannot' | 'broken' }

let writer: FilmWriter | null = null
let turn: Promise<void> = Promise.resolve()

async function follow(order: FilmOrder): Promise<FilmAnswer> {
  if (order.order === 'begin') {
    const { plan, sound } = order
    writer = await (plan.kind === 'webm' ? openWebmWriter(plan, sound) : openWebpWriter(plan))
    return writer ? { answer: 'done' } : { answer: 'failed', why: 'cannot' }
  }
  if (!writer) return { answer: 'failed', why: 'broken' }
  if (order.order === 'end') return { answer: 'file', file: await writer.finish() }
  await writer.add(order.bitmap, order.frame)
  return { answer: 'done' }
}

self.addEventListener('message', ({ data }: MessageEvent<FilmOrder>) => {
  turn = turn
    .then(() => follow(data))
    .catch((): FilmAnswer => ({ answer: 'failed', why: 'broken' }))
    .then((answer) => self.postMessage(answer))
})
