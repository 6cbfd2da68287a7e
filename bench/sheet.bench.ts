// A run sheet of a hundred steps, one every 50 ms: how late each is done after its moment. Beside it a timer of its own for each
// step, and one timer that is set anew from step to step without looking at the clock.
import { planRunSheet } from '../core/sheet/planRunSheet.ts'
import type { RunSheet } from '../core/sheet/schema.ts'
import type { RunRow } from '../server/db/queries/runs.ts'
import { SheetRunner } from '../server/triggers/sheetRunner.ts'
import { Clock } from '../server/system/clock.ts'
import { ms, percentile, report } from './report.ts'

const steps = 100
const everyMs = 50
const sheet: RunSheet = {
  do: 'inTurn',
  of: Array.from({ length: 50 }, (_, at) => [
    { do: 'wait' as const, ms: everyMs },
    { do: 'say' as const, words: String(at) },
  ]).flat(),
}
const plan = planRunSheet(
  { do: 'inTurn', of: [sheet, { do: 'sheet', triggerId: 'again' }] },
  { lengthMs: () => 0, sheetOf: () => sheet },
)
if (!plan.ok || plan.value.steps.length !== steps) throw new Error('the plan is not what was meant')

async function ours(): Promise<number[]> {
  const late: number[] = []
  let beganMs = 0
  await new Promise<void>((resolve) => {
    const runner = new SheetRunner({
      clock: new Clock(),
      doer: {
        enqueue: () => Promise.resolve(),
        do(_row, { atMs }) {
          late.push(performance.now() - beganMs - atMs)
          return Promise.resolve('')
        },
        withdraw: () => undefined,
      },
      keep: () => undefined,
      onBegun: () => undefined,
      release: () => undefined,
      onEnded: () => resolve(),
      onChange: () => undefined,
    })
    beganMs = performance.now()
    if (plan.ok)
      runner.begin({ id: 'run', done: [] } as unknown as RunRow, {
        ...{ id: 'run', triggerId: 'bell', again: 'together' },
        plan: plan.value,
      })
  })
  return late
}

async function timerEach(): Promise<number[]> {
  const beganMs = performance.now()
  return Promise.all(
    Array.from({ length: steps }, (_, at) => {
      const atMs = (at + 1) * everyMs
      return new Promise<number>((resolve) => setTimeout(() => resolve(performance.now() - beganMs - atMs), atMs))
    }),
  )
}

async function stepToStep(): Promise<number[]> {
  const beganMs = performance.now()
  const late: number[] = []
  for (let at = 0; at < steps; at++) {
    await new Promise((resolve) => setTimeout(resolve, everyMs))
    late.push(performance.now() - beganMs - (at + 1) * everyMs)
  }
  return late
}

const figures = (late: readonly number[]) => ({
  p50: ms(percentile(late, 0.5)),
  p99: ms(percentile(late, 0.99)),
  worst: ms(Math.max(...late)),
})
const measured = []
for (const [what, run] of [
  ['a run sheet', ours],
  ['peer: a timer for each step', timerEach],
  ['peer: one timer from step to step', stepToStep],
] as const)
  measured.push({ what, figures: figures(await run()) })
report('sheet', measured, [
  `${steps} steps, one every ${everyMs} ms: how late each is after its moment. Aim: 15 ms at p99.`,
])
process.exit(0)
