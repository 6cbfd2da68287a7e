import { domToCanvas } from 'modern-screenshot'
import type { ResolvedScore } from '../core/score/resolved.ts'
import { prepareScore } from '../player/prepare.ts'
import { createStage } from '../player/stage.ts'

/** Takes pictures of one moment of a score, over and over, with a library that takes them of any page. For a blank page. */
async function peer(score: ResolvedScore, atMs: number, count: number): Promise<number[]> {
  const stage = createStage(document.body)
  stage.mount(await prepareScore(score, null))
  stage.seek(atMs)
  await stage.settled()
  const took: number[] = []
  for (let at = 0; at < count; at++) {
    const from = performance.now()
    await domToCanvas(stage.root, { width: score.canvas.widthPx, height: score.canvas.heightPx, scale: 0.25 })
    took.push(performance.now() - from)
  }
  return took
}
Object.assign(globalThis, { peer })
