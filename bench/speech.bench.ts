// Reading texts aloud: how long until the voice is there, how much faster than it will be heard, and what its process needs in memory.
import { fileURLToPath } from 'node:url'
import { EngineProcess } from '../server/speech/engine.ts'
import { ms, report, type Measured } from './report.ts'

const sentence = 'good evening from the harbour, the rye looks better than ever and the kettle is on already, so please save me two slices of it '
const runs = 7
const engine = new EngineProcess([process.execPath, fileURLToPath(new URL('../engines/espeak-ng/main.mjs', import.meta.url))])
const ask = async (text: string) => {
  const startedMs = performance.now()
  const spoken = await engine.speak({ text, voice: 'gmw/en', rate: 165, pitch: 50 })
  if (!spoken.ok) throw new Error(spoken.error)
  return { tookMs: performance.now() - startedMs, heardMs: (spoken.value.samples.length * 1000) / spoken.value.rateHz }
}
const first = await ask('hello')
const measured: Measured[] = [{ what: 'the first word after the program is started', figures: { took: ms(first.tookMs) } }]
for (const letters of [10, 100, 300]) {
  const text = sentence.repeat(3).slice(0, letters).trim()
  const times = []
  for (let run = 0; run < runs; run++) times.push(await ask(text))
  const { tookMs, heardMs } = times.sort((a, b) => a.tookMs - b.tookMs)[Math.floor(runs / 2)] ?? first
  measured.push({ what: `${letters} letters`, figures: { took: ms(tookMs), heard: `${(heardMs / 1000).toFixed(2)} s`, 'faster than heard': `${Math.round(heardMs / tookMs)} ×` } })
}
measured.push({ what: 'memory of the program, at most', figures: { memory: `${Math.round(engine.peakBytes / 1024 / 1024)} MiB` } })
engine.close()
report('speech', measured, ['A text comes whole: what it took is how long until its first sample can be heard.'])
process.exit(0)
