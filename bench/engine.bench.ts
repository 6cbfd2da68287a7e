// sceneAt: evaluations a second and bytes allocated a call for 10, 50 and 200 moving parts; beside it, the same parts
// as one array of keyframes interpolated with nothing else, and JSON's copy of the result.
import type { Composition } from '../core/composition/schema.ts'
import { starterLine, starterParticles, starterPicture } from '../core/composition/starterParts.ts'
import { setKeyframe } from '../core/edit/setKeyframe.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import { lanternLook } from '../core/look/lanternLook.ts'
import { particleField, flyingAt } from '../core/score/parts/particles/particleField.ts'
import { resolveScore } from '../core/score/resolve.ts'
import type { ResolvedScore } from '../core/score/resolved.ts'
import { sceneAt } from '../core/score/sceneAt.ts'
import { solveComposition } from '../core/score/solveComposition.ts'
import type { TextLayout } from '../core/text/textLayout.ts'
import { report, type Measured } from './report.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const context = { canvas, look: lanternLook, zones: [], event: sampleEvent('tip'), locale: 'en-IE', media: {} }

/** Half pictures with four keyed properties, half lines of eighteen letters that ripple: all moving at any moment. */
function scoreOf(count: number): { composition: Composition; score: ResolvedScore; layouts: Map<string, TextLayout> } {
  const parts = Array.from({ length: count }, (_, index) => {
    if (index % 2 === 0) {
      const picture = { ...starterPicture(canvas, null), id: `p${index}` }
      for (const property of ['offsetX', 'offsetY', 'scale', 'rotationDeg'] as const)
        for (let frame = 0; frame < 5; frame++) setKeyframe(picture, property, frame * 1500, frame + index)
      return picture
    }
    const after = index === 1 ? 'score.start' : `p${index - 1}.start`
    return {
      ...starterLine(canvas, 'second', 'joins the night shift', { at: after, offsetMs: 0 }),
      id: `t${index}`,
      letters: {
        motion: 'ripple' as const,
        unit: 'letter' as const,
        order: 'start' as const,
        staggerMs: 60,
        ms: 1200,
        strength: 1,
      },
    }
  })
  const composition: Composition = { version: 4, length: { rule: 'fixed', ms: 7000 }, parts, silenced: [] }
  const result = resolveScore(composition, context)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  const units = Array.from({ length: 18 }, (_, index) => ({
    line: 0,
    piece: 0,
    from: index,
    to: index + 1,
    xPx: index * 20,
    yPx: 0,
    widthPx: 20,
    heightPx: 60,
  }))
  const layouts = new Map<string, TextLayout>(
    result.value.parts.flatMap((part) =>
      part.kind === 'line'
        ? [
            [
              part.id,
              {
                lines: [{ pieces: part.pieces, widthPx: 360 }],
                sizePx: 60,
                widthPx: 360,
                heightPx: 74,
                isCut: false,
                units,
              },
            ] as const,
          ]
        : [],
    ),
  )
  return { composition, score: result.value, layouts }
}

function perSecond(run: (index: number) => unknown, minMs = 700): number {
  for (let warm = 0; warm < 300; warm++) run(warm)
  let count = 0
  const startedMs = performance.now()
  while (performance.now() - startedMs < minMs) for (let batch = 0; batch < 50; batch++) run(count++)
  return (count * 1000) / (performance.now() - startedMs)
}

function bytesPerCall(run: (index: number) => unknown): string {
  if (!global.gc) return 'run node with --expose-gc'
  global.gc()
  const calls = 200
  const before = process.memoryUsage().heapUsed
  for (let index = 0; index < calls; index++) run(index)
  const used = (process.memoryUsage().heapUsed - before) / calls
  return used > 0 ? `${(used / 1024).toFixed(1)} kB` : 'collected meanwhile'
}

const whole = (value: number) => Math.round(value).toLocaleString('en')
const measured: Measured[] = []
for (const count of [10, 50, 200]) {
  const { composition, score, layouts } = scoreOf(count)
  const moment = (index: number) => (index * 137) % 6900
  const scene = (index: number) => sceneAt(score, layouts, moment(index))
  measured.push({
    what: `sceneAt, ${count} moving parts`,
    figures: { 'a second': whole(perSecond(scene)), 'allocated a call': bytesPerCall(scene) },
  })
  const bare = (index: number) =>
    score.parts.map((part) => ({ x: part.startMs + moment(index), y: index, s: 1, r: 0, o: 1 }))
  measured.push({
    what: `  peer: one object for each, no computation`,
    figures: { 'a second': whole(perSecond(bare)), 'allocated a call': bytesPerCall(bare) },
  })
  measured.push({
    what: `  solveComposition, ${count} parts`,
    figures: {
      'a second': whole(
        perSecond(() => solveComposition(composition, { media: {}, messageText: '', look: lanternLook })),
      ),
    },
  })
  measured.push({
    what: `  resolveScore, ${count} parts`,
    figures: { 'a second': whole(perSecond(() => resolveScore(composition, context))) },
  })
}
for (const count of [500, 2000, 5000]) {
  const result = resolveScore(
    {
      version: 4,
      length: { rule: 'fixed', ms: 9000 },
      silenced: [],
      parts: [{ ...starterParticles(canvas, 'downfall'), count, overMs: 0, lifeMs: { from: 9000, to: 9000 } }],
    },
    context,
  )
  const part = result.ok ? result.value.parts[0] : undefined
  if (part?.kind !== 'particles') throw new Error('it is one')
  const field = particleField(part)
  let sum = 0
  measured.push({
    what: `${count} particles in flight, computed`,
    figures: {
      'a second': whole(
        perSecond((index) => flyingAt(part, field, (index * 37) % 8000, (particle) => (sum += particle.xPx)), 400),
      ),
    },
  })
  if (!Number.isFinite(sum)) throw new Error('a particle flew nowhere')
}
report('engine', measured, [
  'Half of the parts are pictures with four keyed properties, half lines whose 18 letters ripple. One thread of Node.',
])
