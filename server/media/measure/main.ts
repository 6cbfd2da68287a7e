// The measuring process: one file after another, told by its path. It is ended from outside when a file takes too long
// or too much memory; nothing else of the server lives here.
import { readFile } from 'node:fs/promises'
import sharp from 'sharp'
import { unpack } from '../../packs/unpack.ts'
import type { MeasurerQuestion } from '../measurer.ts'
import { measureFile } from './measureFile.ts'
import type { MeasureAnswer } from './measurement.ts'
import { Refusal } from './refusal.ts'

// A cache would keep hostile pictures in memory, and a second core is the server's.
sharp.cache(false)
sharp.concurrency(1)

process.on('message', (question: MeasurerQuestion) => {
  const answer = typeof question === 'string' ? answerFor(question) : unpack(question.pack, question.into)
  void answer.then((given) => process.send?.(given))
})
process.on('disconnect', () => process.exit(0))
process.send?.('ready')

async function answerFor(path: string): Promise<MeasureAnswer> {
  try {
    const measurement = await measureFile(await readFile(path), (deadlineMs) => process.send?.({ deadlineMs }))
    return { ok: true, measurement }
  } catch (error) {
    if (error instanceof Refusal)
      return { ok: false, reason: error.reason, advice: error.advice, canDecodeInBrowser: error.canDecodeInBrowser }
    return {
      ok: false,
      reason: 'The file is damaged: it could not be measured.',
      advice: 'Export it again.',
      canDecodeInBrowser: false,
    }
  }
}
