// The hostile set through the measuring process: what it takes in memory and time, and whether all is refused.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { measureMemoryBytes } from '../server/media/measure/limits.ts'
import { Measurer } from '../server/media/measurer.ts'
import { hostileFiles } from '../test/media/hostile.ts'
import { report } from './report.ts'

const folder = mkdtempSync(join(tmpdir(), 'thundercrest-bombs-'))
const measurer = new Measurer({
  path: fileURLToPath(new URL('../.output/server/measure.mjs', import.meta.url)),
  execArgv: [],
})
let refused = 0
let slowest = { ms: 0, name: '' }
const startedMs = performance.now()
for (const { name, bytes } of hostileFiles) {
  const path = join(folder, name)
  writeFileSync(path, bytes())
  const fromMs = performance.now()
  const answer = await measurer.measure(path)
  const ms = performance.now() - fromMs
  if (ms > slowest.ms) slowest = { ms, name }
  if (!answer.ok) refused += 1
}
const tookMs = performance.now() - startedMs
measurer.close()
rmSync(folder, { recursive: true, force: true })
const mib = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MiB`
report('bombs', [
  {
    what: `${hostileFiles.length} hostile files`,
    figures: { refused: String(refused), 'in all': `${(tookMs / 1000).toFixed(1)} s` },
  },
  {
    what: 'the process that measures, at most',
    figures: { memory: mib(measurer.peakBytes), limit: mib(measureMemoryBytes) },
  },
  { what: 'the slowest', figures: { name: slowest.name, took: `${Math.round(slowest.ms)} ms` } },
])
