// Recolouring: what it costs to find the turn of colours, and what it costs while animated pictures play, beside
// writing the picture anew in the wanted colour (sharp) as one would without an engine that recolours.
import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { rgbOfHex } from '../core/colour/oklch.ts'
import { tintTowards } from '../core/colour/tint.ts'
import { starterPicture } from '../core/composition/starterParts.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import { lanternLook } from '../core/look/lanternLook.ts'
import type { PictureColour } from '../core/colour/pictureColour.ts'
import { resolveScore } from '../core/score/resolve.ts'
import { loadScore, readBox } from '../test/arrange/playerHarness.ts'
import { frameIntervals, playing } from './frameIntervals.ts'
import { withPlayerPage } from './playerPage.ts'
import { ms, percentile, report, type Measured } from './report.ts'
import { medianMs } from './timing.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const lastsMs = 6000
const file = new URL('../demo/media/files/rising-loaf.webp', import.meta.url)
const wanted = '#7FC8E8'
const from = rgbOfHex('#B5642A')
const measured: Measured[] = [
  {
    what: 'finding the turn that brings one colour to another',
    figures: { took: ms(medianMs(() => void tintTowards(from, rgbOfHex(wanted)))) },
  },
]

const { hueDeg, saturation, brightness } = tintTowards(from, rgbOfHex(wanted))
const bytes = readFileSync(file)
const frames = (await sharp(bytes, { animated: true }).metadata()).pages ?? 1
const startedMs = performance.now()
await sharp(bytes, { animated: true })
  .modulate({ hue: Math.round(hueDeg), saturation, brightness })
  .webp({ quality: 70 })
  .toBuffer()
measured.push({
  what: `  peer: the animated picture written anew, ${frames} frames`,
  figures: { took: ms(performance.now() - startedMs) },
})

await withPlayerPage(async (page, server) => {
  const { media } = await readBox(page, server.demo)
  const [mediaId = ''] = Object.entries(media).find(([, facts]) => facts.mime === 'image/webp') ?? []
  const play = async (count: number, colour: PictureColour): Promise<number[]> => {
    const parts = Array.from({ length: count }, (_, index) => ({
      ...starterPicture(canvas, mediaId),
      id: `p${index}`,
      colour,
      widthPx: 400,
      heightPx: 400,
      place: { xPx: 240 + (index % 4) * 460, yPx: 240 + Math.floor(index / 4) * 420, origin: 'centre' as const },
    }))
    const score = resolveScore(
      { version: 4, length: { rule: 'fixed', ms: lastsMs + 500 }, parts, silenced: [] },
      { canvas, look: lanternLook, zones: [], event: sampleEvent('tip'), locale: 'en', media },
    )
    if (!score.ok) throw new Error(JSON.stringify(score.error))
    await loadScore(page, score.value)
    return frameIntervals(page, playing, lastsMs - 1000)
  }
  for (const count of [1, 8]) {
    for (const [words, colour] of [
      ['as they are', { mode: 'asIs' }],
      ['recoloured', { mode: 'recolour', from: '#B5642A', to: { own: wanted } }],
    ] as const) {
      const intervals = await play(count, colour)
      const mean = intervals.reduce((sum, each) => sum + each, 0) / intervals.length
      measured.push({
        what: `${count} animated ${count === 1 ? 'picture' : 'pictures'} of 400 px playing, ${words}`,
        figures: { 'frames a second': (1000 / mean).toFixed(1), 'p95 frame': ms(percentile(intervals, 0.95)) },
      })
    }
  }
})
report('recolour', measured, [
  'Headless Chromium without a GPU: colours are turned by the processor, where a GPU does it for nothing.',
])
