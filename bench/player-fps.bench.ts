// The player at 1920 × 1080 in Debian's headless Chromium without a GPU: frames a second and long frames with 50 moving
// parts, beside the same elements moved by the browser's own Web Animations and by two animation libraries (anime.js, Motion);
// and with 500, 2,000 and 5,000 particles, beside the same number drawn by a well-known particle library (tsParticles).
import { build } from 'esbuild'
import { starterLine, starterParticles, starterPicture } from '../core/composition/starterParts.ts'
import { setKeyframe } from '../core/edit/setKeyframe.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import { lanternLook } from '../core/look/lanternLook.ts'
import type { Part } from '../core/score/parts/part.ts'
import { resolveScore } from '../core/score/resolve.ts'
import type { ResolvedScore } from '../core/score/resolved.ts'
import { loadScore, readBox, soughtFrame } from '../test/arrange/playerHarness.ts'
import { frameIntervals, playing } from './frameIntervals.ts'
import { bringMovingPeers, movingPeers } from './movingPeers.ts'
import { withPlayerPage } from './playerPage.ts'
import { percentile, report, type Measured } from './report.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const lastsMs = 6000
const rounds = 3
/** A frame this long is seen as a hitch. */
const longFrameMs = 50

function scoreOf(parts: Part[], media = {}): ResolvedScore {
  const result = resolveScore(
    { version: 4, length: { rule: 'fixed', ms: lastsMs + 500 }, parts, silenced: [] },
    { canvas, look: lanternLook, zones: [], event: sampleEvent('tip'), locale: 'en-IE', media },
  )
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}

/** They are there all the time: libraries that move the same are compared with nothing but moving. */
const still = { motion: 'none' as const, ms: 0, easing: null }
const motion = { entrance: still, exit: still }

function movingParts(mediaId: string): Part[] {
  return Array.from({ length: 50 }, (_, index) => {
    const place = { xPx: 120 + (index % 10) * 180, yPx: 120 + Math.floor(index / 10) * 200, origin: 'centre' as const }
    if (index % 5 !== 4) {
      const picture = {
        ...starterPicture(canvas, mediaId),
        id: `p${index}`,
        place,
        motion,
        widthPx: 160,
        heightPx: 160,
      }
      for (let frame = 0; frame < 7; frame++) {
        setKeyframe(picture, 'offsetX', frame * 1000, frame % 2 === 0 ? 0 : 60)
        setKeyframe(picture, 'rotationDeg', frame * 1000, frame * 40)
      }
      return picture
    }
    return {
      ...starterLine(canvas, 'second', '{name}'),
      id: `t${index}`,
      ...{ place, motion },
      sizePx: 48,
      letters: {
        motion: 'ripple' as const,
        unit: 'letter' as const,
        order: 'start' as const,
        staggerMs: 60,
        ms: 900,
        strength: 1,
      },
    }
  })
}

const particlesOf = (count: number): Part => ({
  ...starterParticles(canvas, 'downfall'),
  count,
  overMs: 0,
  emitter: 'everywhere',
  lifeMs: { from: lastsMs + 500, to: lastsMs + 500 },
  sizePx: { from: 14, to: 26 },
})

const figuresOf = (frames: readonly number[]) => ({
  'frames a second': (1000 / (frames.reduce((sum, frame) => sum + frame, 0) / frames.length)).toFixed(1),
  'p95 frame': `${percentile(frames, 0.95).toFixed(1)} ms`,
  [`over ${longFrameMs} ms`]: frames.filter((frame) => frame > longFrameMs).length,
})

const measured: Measured[] = []
await withPlayerPage(async (page, server) => {
  const { media } = await readBox(page, server.demo)
  const [mediaId = ''] = Object.entries(media).find(([, facts]) => facts.mime === 'image/png') ?? []
  const idle = await frameIntervals(page, 'return undefined', lastsMs - 1000)
  measured.push({ what: 'an empty page', figures: figuresOf(idle) })
  const moving = scoreOf(movingParts(mediaId), media)
  const moved: number[][] = movingPeers.map(() => [])
  const ours: number[] = []
  await bringMovingPeers(page)
  // By turns: what else the machine does meets all of them.
  for (let round = 0; round < rounds; round++) {
    await loadScore(page, moving)
    await soughtFrame(page, 3000)
    ours.push(...(await frameIntervals(page, playing, lastsMs - 1000)))
    for (const [index, { start }] of movingPeers.entries()) {
      // Built anew, for the one before has left its traces; all of it is there by then.
      await loadScore(page, moving)
      await soughtFrame(page, 3000)
      moved[index]?.push(...(await frameIntervals(page, `return globalThis.moving.${start}()`, lastsMs - 1000)))
    }
  }
  measured.push({ what: '50 moving parts', figures: figuresOf(ours) })
  for (const [index, { what }] of movingPeers.entries()) measured.push({ what, figures: figuresOf(moved[index] ?? []) })
  for (const count of [500, 2000, 5000]) {
    await loadScore(page, scoreOf([particlesOf(count)]))
    measured.push({
      what: `${count} particles`,
      figures: figuresOf(await frameIntervals(page, playing, lastsMs - 1000)),
    })
  }
  const peer = await build({
    stdin: {
      contents:
        "import { tsParticles } from '@tsparticles/engine'; import { loadSlim } from '@tsparticles/slim'; globalThis.peer = { tsParticles, loadSlim }",
      resolveDir: process.cwd(),
    },
    bundle: true,
    write: false,
    format: 'iife',
  })
  await page.addScriptTag({ content: peer.outputFiles[0]?.text ?? '' })
  await page.evaluate(() => {
    document.body.replaceChildren()
    const room = document.createElement('div')
    room.id = 'peer'
    room.style.cssText = 'position:absolute;inset:0'
    document.body.append(room)
  })
  for (const count of [500, 2000, 5000]) {
    const script = `
      await globalThis.peer.loadSlim(globalThis.peer.tsParticles)
      const made = await globalThis.peer.tsParticles.load({ id: 'peer', options: { fullScreen: false, fpsLimit: 240, detectRetina: false, particles: {
        number: { value: ${count}, density: { enable: false } }, shape: { type: 'star' }, color: { value: '#FFF4DC' }, size: { value: { min: 7, max: 13 } },
        rotate: { value: { min: 0, max: 360 }, animation: { enable: true, speed: 90 } }, move: { enable: true, speed: 3, direction: 'bottom', outModes: 'out' } } } })
      return () => made.destroy()`
    measured.push({
      what: `  peer: tsParticles, ${count}`,
      figures: figuresOf(await frameIntervals(page, script, lastsMs - 1000)),
    })
  }
})
report('player-fps', measured, ['Headless Chromium without a GPU: everything is drawn by the processor.'])
