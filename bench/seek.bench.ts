// Random seeks a second on the real page at 1920 × 1080: the state is computed, written and laid out, and its frame has
// come.
import { loadScore, readBox, resolveAlert } from '../test/arrange/playerHarness.ts'
import type { EventKind } from '../core/events/kinds.ts'
import { withPlayerPage } from './playerPage.ts'
import { percentile, report, type Measured } from './report.ts'

const alerts: { kind: EventKind; what: string }[] = [
  { kind: 'follow', what: 'picture and two lines' },
  { kind: 'resubscription', what: 'letters that ripple' },
  { kind: 'subscription', what: 'an animated picture' },
  { kind: 'tip', what: '160 particles and a message' },
  { kind: 'goalReached', what: 'a transparent video and 120 particles' },
]
const measured: Measured[] = []
await withPlayerPage(async (page, server) => {
  const box = await readBox(page, server.demo)
  for (const { kind, what } of alerts) {
    const score = resolveAlert(box, kind)
    await loadScore(page, score)
    const result = await page.evaluate(async (lengthMs) => {
      const { harness } = globalThis as unknown as {
        harness: {
          stage: { seek(tMs: number): unknown; settled(): Promise<void>; root: HTMLElement }
          show(tMs: number): Promise<void>
        }
      }
      const moment = (index: number) => Math.round(((index * 0.618034) % 1) * (lengthMs - 1))
      // Written and laid out, without waiting for the screen.
      let count = 0
      const startedMs = performance.now()
      while (performance.now() - startedMs < 2000) {
        harness.stage.seek(moment(count++))
        harness.stage.root.getBoundingClientRect()
      }
      const written = (count * 1000) / (performance.now() - startedMs)
      const shown: number[] = []
      for (let index = 0; index < 40; index++) {
        const beforeMs = performance.now()
        await harness.show(moment(index))
        shown.push(performance.now() - beforeMs)
      }
      return { written, shown }
    }, score.lengthMs)
    measured.push({
      what,
      figures: {
        'seeks a second, written': Math.round(result.written),
        'until its frame has come, p50': `${percentile(result.shown, 0.5).toFixed(1)} ms`,
        p95: `${percentile(result.shown, 0.95).toFixed(1)} ms`,
      },
    })
  }
})
report('seek', measured, [
  'A frame has come when the second frame after the seek begins: the first has then been drawn. Two frames of 60 a second are 33 ms.',
])
