import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { PNG } from 'pngjs'
import type { Composition } from '../../core/composition/schema.ts'
import { starterCode } from '../../core/composition/starterCode.ts'
import { starterPicture, starterVoice } from '../../core/composition/starterParts.ts'
import { untilTheEnd } from '../../core/composition/untilTheEnd.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { Part, PartOf } from '../../core/score/parts/part.ts'
import { resolveScore } from '../../core/score/resolve.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { boxOnAir } from '../arrange/boxOnAir.ts'
import { dropFiles, expect, recordOutput, test, untilState } from '../arrange/fixtures.ts'
import {
  differingPixels,
  loadScore,
  openHarness,
  photograph,
  playedFrame,
  readBox,
  soughtFrame,
} from '../arrange/playerHarness.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'composed', bypassCSP: true, viewport: { width: 1280, height: 720 } })

const canvas = { widthPx: 1280, heightPx: 720, framesPerSecond: 60 }
const video = readFileSync(new URL('../media/files/flash-click.webm', import.meta.url))
/** Done after two seconds, by SMIL and by CSS. */
const drawing = Buffer.from(
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><style>@keyframes grow { to { transform: scale(2) } } circle { animation: grow 2s linear both; transform-origin: 40px 50px; fill: #ffc247 }</style><circle cx="40" cy="50" r="15"/><rect style="fill:#5aa4d6" x="100" y="20" width="20" height="60"><animate attributeName="x" from="100" to="170" dur="2s" fill="freeze"/><animateTransform attributeName="transform" type="rotate" from="0 150 50" to="20 150 50" dur="2s" fill="freeze"/></rect></svg>`,
)
const idOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

const still = {
  entrance: { motion: 'none' as const, ms: 0, easing: null },
  exit: { motion: 'none' as const, ms: 0, easing: null },
}
const picture = (id: string, mediaId: string, xPx: number): PartOf<'picture'> => ({
  ...starterPicture(canvas, mediaId),
  ...{ id, name: id, motion: still, widthPx: 320, heightPx: 180, repeats: 'hold' },
  place: { xPx, yPx: 200, origin: 'centre' },
})
const code = (changes: Partial<PartOf<'code'>>): PartOf<'code'> => ({
  ...starterCode(canvas),
  ...{
    motion: still,
    widthPx: 500,
    heightPx: 300,
    place: { xPx: 640, yPx: 520, origin: 'centre' as const },
    ...changes,
  },
})
const ownCode = code({
  html: '<p>{name}</p><svg viewBox="0 0 10 10"><path d="M0 0L10 5L0 10Z" fill="var(--accent)"/></svg>',
  css: `body { display: flex; align-items: center; background: color-mix(in srgb, var(--plate) 60%, transparent) }
    p { margin: 0 20px; font: 700 60px var(--display); color: var(--headline); animation: come 2s linear both }
    p::after { content: "!"; color: var(--accent) }
    svg { width: 120px; rotate: calc(min(var(--t), 2) * 45deg) }
    @keyframes come { from { translate: -200px 0; opacity: 0 } to { translate: 0 0; opacity: 1 } }`,
})
const composed = (parts: Part[]): Composition => ({
  version: 4,
  length: { rule: 'fixed', ms: 7000 },
  parts,
  silenced: [],
})
const everything = () =>
  composed([
    picture('flash', idOf(video), 300),
    picture('drawing', idOf(drawing), 900),
    ownCode,
    { ...starterVoice('{name} came by'), clip: { start: { at: 'score.start', offsetMs: 2500 }, end: untilTheEnd() } },
  ])

/** Puts files into the library as a person does, and waits until they are measured. */
async function bringFiles(page: Page, demo: DemoFile): Promise<void> {
  await page.goto(`${demo.url}/media`)
  await dropFiles(page, 'main input[type=search]', [
    { name: 'flash.webm', bytes: video },
    { name: 'drawing.svg', bytes: drawing },
  ])
  const files = page.getByRole('list', { name: 'Files', exact: true })
  for (const name of [/flash\.webm/, /drawing\.svg/])
    await expect(files.getByRole('button', { name })).toBeVisible({ timeout: 60_000 })
}

async function resolved(page: Page, demo: DemoFile, composition: Composition): Promise<ResolvedScore> {
  const { document, media } = await readBox(page, demo)
  const result = resolveScore(composition, {
    ...{ canvas, look: document.look, zones: [], event: sampleEvent('follow'), locale: 'en-IE', media },
  })
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}

test('a video with its sound, a drawing that moves, code and a voice are the same sought, played, on air and in a proof', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.setTimeout(180_000)
  await signIn()
  await bringFiles(page, demo)
  const composition = everything()
  const { sourceUrl, id } = await boxOnAir(page, demo, 'Composed', [
    {
      id: 'follow',
      kinds: ['follow'],
      isOn: true,
      offer: null,
      variations: [{ id: 'everyday', name: 'Everyday', rule: null, share: null, composition }],
    },
  ])
  const source = await context.newPage()
  const heard = await recordOutput(source)
  await source.goto(sourceUrl)
  await source.addStyleTag({ content: 'html,body{background:#223344 !important}' })
  await untilState(source, 'waiting')
  await heard()
  await page.request.post(`${demo.url}/api/boxes/${id}/tests`, { data: { kind: 'follow' } })
  await untilState(source, 'playing')
  // After two seconds nothing moves any more.
  await source.waitForFunction(() => {
    const frame = document.querySelector<HTMLIFrameElement>('[data-part=code] iframe')
    return Number(frame?.contentDocument?.documentElement.style.getPropertyValue('--t')) > 3
  })
  const onAir = await source.screenshot()
  await untilState(source, 'waiting')
  const { rateHz, channels } = await heard()

  const score = await resolved(page, demo, composition)
  expect(score.parts.filter(({ kind }) => kind === 'sound')).toHaveLength(1)
  await openHarness(page, demo)
  expect(await loadScore(page, score)).toEqual([])
  expect(differingPixels(onAir, await soughtFrame(page, 4000)), 'on air').toBeLessThan(1280 * 720 * 0.0005)
  const moments = [300, 550, 1200, 1900]
  const sought = new Map<number, Buffer>()
  for (const moment of [...moments].reverse()) sought.set(moment, await soughtFrame(page, moment))
  for (const moment of moments) {
    const frame = sought.get(moment) ?? Buffer.alloc(0)
    expect(differingPixels(frame, await playedFrame(page, moment)), `played to ${moment}`).toBe(0)
    expect(differingPixels(frame, await soughtFrame(page, moment === 300 ? 1900 : 300)), 'it moves').toBeGreaterThan(
      2000,
    )
    await soughtFrame(page, moment)
    expect(differingPixels(frame, await photograph(page, moment)), `pictured at ${moment}`).toBeLessThan(
      1280 * 720 * 0.004,
    )
  }

  // The clicks of the video are a second apart to the sample, before the voice begins.
  const [left] = channels
  const onsets: number[] = []
  for (let at = 0; at < left.length; at++)
    if (Math.abs(left[at] ?? 0) > 0.1 && at - (onsets.at(-1) ?? -Infinity) > rateHz / 4) onsets.push(at)
  expect(onsets.length).toBeGreaterThanOrEqual(2)
  expect(Math.abs(((onsets[1] ?? 0) - (onsets[0] ?? 0)) / rateHz - 1)).toBeLessThan(0.001)
  const loudAfter = left
    .slice((onsets[1] ?? 0) + Math.round(rateHz * 0.3))
    .reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)
  expect(loudAfter, 'the voice').toBeGreaterThan(0.02)
})

test('code that tries to load, to run and to leave its box does none of it, and the alert plays', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const hostile = code({
    html: '<p onclick="x()">a</p><script>parent.document.body.dataset.left = 1</script><img src="/api/session"><div class="out"></div>',
    css: '@import "/api/session"; @font-face { font-family: a; src: url(/fonts/none.woff2) } .out { position: fixed; inset: -2000px; background: red url(/api/channel) } body { --x: url(/x) } p { background: image-set("/y.png" 1x) } :root, html, body { z-index: 999 }',
  })
  const beside = { ...ownCode, id: 'beside', place: { xPx: 260, yPx: 160, origin: 'centre' as const } }
  const score = await resolved(page, demo, composed([hostile, beside]))
  await openHarness(page, demo)
  const asked: string[] = []
  page.on('request', (request) => asked.push(new URL(request.url()).pathname))
  expect(await loadScore(page, score)).toEqual([])
  const frame = PNG.sync.read(await soughtFrame(page, 2000))
  const colourAt = (x: number, y: number) => [...frame.data.subarray((y * 1280 + x) * 4, (y * 1280 + x) * 4 + 3)]
  // Red fills its box to the edge, and nothing beside it.
  expect(colourAt(640, 660)).toEqual([255, 0, 0])
  for (const [x, y] of [
    [385, 520],
    [895, 520],
    [640, 365],
    [640, 675],
    [1200, 100],
  ] as const)
    expect(colourAt(x, y), `${x}, ${y}`).toEqual([0x22, 0x33, 0x44])
  expect(await page.evaluate(() => document.body.dataset.left)).toBeUndefined()
  expect(asked.filter((path) => /api|none|\/x$|y\.png/.test(path))).toEqual([])
})
