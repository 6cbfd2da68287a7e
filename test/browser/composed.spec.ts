import { PNG } from 'pngjs'
import { boxOnAir } from '../arrange/boxOnAir.ts'
import { bringFiles, code, composed, everything, followWith, haveSaid, ownCode, resolved } from '../arrange/composed.ts'
import { expect, recordOutput, test, untilState } from '../arrange/fixtures.ts'
import {
  differingPixels,
  loadScore,
  openHarness,
  photograph,
  playedFrame,
  soughtFrame,
} from '../arrange/playerHarness.ts'

test.use({ serverFor: 'composed', bypassCSP: true, viewport: { width: 1280, height: 720 } })

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
  await haveSaid(page, demo, composition)
  const { sourceUrl, id } = await boxOnAir(page, demo, 'Composed', [followWith(composition)])
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
