// How far a video's picture is from its sound: the sound is scheduled to the sample on the score's clock, so it is how far each
// picture that is shown is from that clock. Beside it the same video let run by itself from the same moment.
import { readFileSync } from 'node:fs'
import { starterPicture } from '../core/composition/starterParts.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import { lanternLook } from '../core/look/lanternLook.ts'
import { resolveScore } from '../core/score/resolve.ts'
import { loadScore } from '../test/arrange/playerHarness.ts'
import { withPlayerPage } from './playerPage.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const mediaId = 'a'.repeat(64)
const roundMs = 2007
const frameMs = 1000 / 30
const lastsMs = 20_000
const file = readFileSync(new URL('../test/media/files/flash-click.webm', import.meta.url)).toString('base64')
const url = `data:video/webm;base64,${file}`

interface Shown {
  mediaMs: number
  wantedMs: number
}

/** Beyond the time that a frame is due to be seen; 0 within it. */
function apart({ mediaMs, wantedMs }: Shown): number {
  const late = (((wantedMs - mediaMs) % roundMs) + roundMs) % roundMs
  const nearest = late > roundMs / 2 ? late - roundMs : late
  return nearest < 0 ? -nearest : Math.max(0, nearest - frameMs)
}

const figuresOf = (shown: readonly Shown[]) => {
  const all = shown.map(apart)
  return {
    pictures: all.length,
    p50: ms(percentile(all, 0.5)),
    p95: ms(percentile(all, 0.95)),
    longest: ms(Math.max(...all)),
    'beyond a frame': `${((100 * all.filter((each) => each > frameMs).length) / all.length).toFixed(1)} %`,
  }
}

const measured: Measured[] = []
await withPlayerPage(async (page) => {
  const picture = {
    ...starterPicture(canvas, mediaId),
    motion: {
      entrance: { motion: 'none' as const, ms: 0, easing: null },
      exit: { motion: 'none' as const, ms: 0, easing: null },
    },
  }
  const result = resolveScore(
    { version: 4, length: { rule: 'fixed', ms: lastsMs }, parts: [picture], silenced: [] },
    {
      ...{ canvas, look: lanternLook, zones: [], event: sampleEvent('tip'), locale: 'en-IE' },
      media: { [mediaId]: { url, mime: 'video/webm', durationMs: roundMs } },
    },
  )
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  await loadScore(page, result.value)
  const ours = await page.evaluate(
    (length) =>
      new Promise<Shown[]>((resolve) => {
        const { harness } = globalThis as unknown as {
          harness: { stage: { mount(p: unknown): void }; prepared: unknown; playScore(...given: unknown[]): void }
        }
        const shown: Shown[] = []
        harness.stage.mount(harness.prepared)
        const startedMs = performance.now()
        const video = document.querySelector('video')
        const look = () =>
          video?.requestVideoFrameCallback((_now, { mediaTime, expectedDisplayTime }) => {
            shown.push({ mediaMs: mediaTime * 1000, wantedMs: expectedDisplayTime - startedMs })
            look()
          })
        look()
        harness.playScore(harness.stage, harness.prepared, null, 0, { onEnded: () => undefined })
        setTimeout(() => resolve(shown), length - 200)
      }),
    lastsMs,
  )
  measured.push({ what: 'led by the score', figures: figuresOf(ours) })
  const peer = await page.evaluate(
    ({ address, length }) =>
      new Promise<Shown[]>((resolve) => {
        document.body.replaceChildren()
        const video = document.createElement('video')
        Object.assign(video, { muted: true, loop: true, src: address })
        document.body.append(video)
        const shown: Shown[] = []
        video.addEventListener(
          'canplaythrough',
          () => {
            const startedMs = performance.now()
            const look = () =>
              video.requestVideoFrameCallback((_now, { mediaTime, expectedDisplayTime }) => {
                shown.push({ mediaMs: mediaTime * 1000, wantedMs: expectedDisplayTime - startedMs })
                look()
              })
            look()
            void video.play()
            setTimeout(() => resolve(shown), length - 200)
          },
          { once: true },
        )
      }),
    { address: url, length: lastsMs },
  )
  measured.push({ what: '  peer: begun at the same moment, and let run', figures: figuresOf(peer) })
})
report('video-sound', measured)
