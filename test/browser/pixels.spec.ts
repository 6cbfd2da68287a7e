import { expect, test, untilState } from '../arrange/fixtures.ts'
import { vectorAnimation } from '../media/shape.ts'
import {
  clearStage,
  differingPixels,
  loadScore,
  openHarness,
  photograph,
  playedFrame,
  readBox,
  resolveAlert,
  soughtFrame,
} from '../arrange/playerHarness.ts'
import type { EventKind } from '../../core/events/kinds.ts'

test.use({ serverFor: 'pixels', bypassCSP: true, viewport: { width: 1920, height: 1080 } })

/**
 * What each shows off: letters that ripple, an animated picture, particles, a transparent video, a message with emotes.
 */
const shown: { kind: EventKind; viewer?: 'longest' | 'emoji' | 'rightToLeft'; moments: number[] }[] = [
  { kind: 'resubscription', moments: [450, 1330, 3777, 6900] },
  { kind: 'subscription', moments: [300, 2210] },
  { kind: 'tip', moments: [1100, 1900, 3200] },
  { kind: 'tip', viewer: 'emoji', moments: [2600] },
  { kind: 'goalReached', moments: [700, 3100] },
  { kind: 'applause', viewer: 'longest', moments: [950, 1500] },
  { kind: 'raid', viewer: 'rightToLeft', moments: [2500] },
]

for (const { kind, viewer, moments } of shown) {
  test(`${kind}${viewer ? ` (${viewer})` : ''}: a frame after playing is the frame sought directly, pixel by pixel`, async ({
    page,
    demo,
    signIn,
  }) => {
    await signIn()
    const score = resolveAlert(await readBox(page, demo), kind, viewer)
    await openHarness(page, demo)
    expect(await loadScore(page, score)).toEqual([])
    const sought = new Map<number, Buffer>()
    for (const moment of [...moments].reverse()) sought.set(moment, await soughtFrame(page, moment))
    const blank = await soughtFrame(page, score.lengthMs)
    for (const moment of moments) {
      const frame = sought.get(moment) ?? Buffer.alloc(0)
      expect(differingPixels(frame, blank), `something is drawn at ${moment}`).toBeGreaterThan(2000)
      expect(differingPixels(frame, await playedFrame(page, moment)), `at ${moment}`).toBe(0)
    }
  })
}

/** Letters of a picture of the page and of the page itself are smoothed at other places: edges may differ. */
const photographed = 1920 * 1080 * 0.004
const proved: { kind: EventKind; viewer?: 'longest' | 'emoji' | 'rightToLeft'; atMs: number }[] = [
  { kind: 'resubscription', atMs: 1330 },
  { kind: 'subscription', viewer: 'rightToLeft', atMs: 2210 },
  { kind: 'tip', viewer: 'emoji', atMs: 2600 },
  { kind: 'goalReached', atMs: 3100 },
  { kind: 'redemption', viewer: 'emoji', atMs: 2400 },
]
test('a picture of a proof is what the browser shows of that moment (tolerance: 0.4 % of the pixels)', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const box = await readBox(page, demo)
  await openHarness(page, demo)
  for (const { kind, viewer, atMs } of proved) {
    const score = resolveAlert(box, kind, viewer)
    expect(await loadScore(page, score)).toEqual([])
    const blank = await soughtFrame(page, score.lengthMs)
    const frame = await soughtFrame(page, atMs)
    const picture = await photograph(page, atMs)
    expect(differingPixels(frame, blank), `${kind}: something is drawn`).toBeGreaterThan(photographed)
    expect(differingPixels(frame, picture), `${kind}, ${viewer ?? 'everyday'}`).toBeLessThan(photographed)
  }
})

test('the source page shows the very frame that the player draws at that moment (tolerance: 0.05 % of the pixels)', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn()
  const score = resolveAlert(await readBox(page, demo), 'follow')
  const source = await context.newPage()
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await source.addStyleTag({ content: 'html,body{background:#223344 !important}' })
  await untilState(source, 'waiting')
  await page.request.post(`${demo.url}/api/boxes/${demo.boxes[0]?.id}/tests`, { data: { kind: 'follow' } })
  await untilState(source, 'playing')
  await source.waitForSelector('[data-part=second]', { state: 'visible' })
  // From 1.85 s, when the second line has entered, until 6.70 s nothing of this alert moves.
  await source.waitForTimeout(1500)
  const onAir = await source.screenshot()
  await openHarness(page, demo)
  await loadScore(page, score)
  expect(differingPixels(onAir, await soughtFrame(page, 3000))).toBeLessThan(1920 * 1080 * 0.0005)
})

test('a vector animation that was out of sight moves on where it is shown again', async ({ page, demo, signIn }) => {
  await signIn()
  const score = resolveAlert(await readBox(page, demo), 'follow')
  const picture = score.parts.find((part) => part.kind === 'picture')
  if (picture?.kind !== 'picture' || picture.mediaId === null) throw new Error('it has one')
  const url = `data:application/json,${encodeURIComponent(vectorAnimation())}`
  score.media[picture.mediaId] = { url, mime: 'video/lottie+json' }
  score.parts = [{ ...picture, naturalMs: 2000, repeats: 'hold', startMs: 0, endMs: 4000, keyframes: [] }]
  await openHarness(page, demo)
  expect(await loadScore(page, score)).toEqual([])
  const [early, late] = [await soughtFrame(page, 1500), await soughtFrame(page, 1950)]
  expect(differingPixels(early, late)).toBeGreaterThan(500)
  expect(differingPixels(await soughtFrame(page, 4500), late), 'out of sight').toBeGreaterThan(500)
  expect(differingPixels(await soughtFrame(page, 1950), late)).toBe(0)
  expect(differingPixels(await soughtFrame(page, 1500), early)).toBe(0)
})

test('addresses of files are given back: when a score gives way to another, and when the stage is left', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const [video, other] = await readBox(page, demo).then((read) => [
    resolveAlert(read, 'goalReached'),
    resolveAlert(read, 'follow'),
  ])
  await openHarness(page, demo)
  await page.evaluate(() => {
    const open = new Set<string>()
    const [make, giveBack] = [URL.createObjectURL.bind(URL), URL.revokeObjectURL.bind(URL)]
    URL.createObjectURL = (file: Blob) => {
      const url = make(file)
      open.add(url)
      return url
    }
    URL.revokeObjectURL = (url: string) => {
      open.delete(url)
      giveBack(url)
    }
    Object.assign(globalThis, { addresses: open })
  })
  const addresses = () => page.evaluate(() => (globalThis as unknown as { addresses: Set<string> }).addresses.size)
  for (const score of [video!, other!, video!, video!]) {
    expect(await loadScore(page, score)).toEqual([])
    await soughtFrame(page, 2210)
  }
  expect(await addresses()).toBe(1)
  await clearStage(page)
  expect(await addresses()).toBe(0)
})

test('a picture is recoloured as the engine computed it', async ({ page, demo, signIn }) => {
  await signIn()
  const score = resolveAlert(await readBox(page, demo), 'follow')
  const picture = score.parts.find((part) => part.kind === 'picture')
  if (picture?.kind !== 'picture') throw new Error('it has one')
  // One flat colour, so that the drawn pixel can be compared with the computed one.
  const flatOf = (hex: string) =>
    page.evaluate((colour) => {
      const canvas = document.createElement('canvas')
      canvas.width = canvas.height = 8
      const context = canvas.getContext('2d')
      if (context) context.fillStyle = colour
      context?.fillRect(0, 0, 8, 8)
      return canvas.toDataURL()
    }, hex)
  const { applyTint, noTint, tintTowards } = await import('../../core/colour/tint.ts')
  const { washTowards } = await import('../../core/colour/wash.ts')
  const { rgbOfHex } = await import('../../core/colour/oklch.ts')
  await openHarness(page, demo)
  const crust = '#C9853F'
  const turned = ['#5AA4D6', '#4E9B74', '#FFC247', '#8A4FBF'].map((wanted) => ({
    from: crust,
    wanted,
    tint: tintTowards(rgbOfHex(crust), rgbOfHex(wanted)),
  }))
  // What has no hue to turn is brought to shades of the wanted colour.
  const washed = ['#F4F4F4', '#7F7F7F', '#141414'].map((from) => ({
    from,
    wanted: '#C4503A',
    tint: { ...noTint, wash: washTowards(rgbOfHex(from), rgbOfHex('#C4503A')) },
  }))
  for (const { from, wanted, tint } of [...turned, ...washed]) {
    await loadScore(page, {
      ...score,
      media: { flat: { url: await flatOf(from), mime: 'image/png' } },
      parts: [
        {
          ...picture,
          mediaId: 'flat',
          fit: 'stretch',
          tint,
          startMs: 0,
          endMs: 9000,
          entrance: { motion: 'none', ms: 0, easing: null },
        },
      ],
    })
    await soughtFrame(page, 3000)
    const drawn = await page.evaluate(() => [
      ...(document.querySelector<HTMLCanvasElement>('[data-part=picture]')?.getContext('2d')?.getImageData(50, 50, 1, 1)
        .data ?? []),
    ])
    const computed = applyTint(rgbOfHex(from), tint).map((channel) => channel * 255)
    for (const index of [0, 1, 2])
      expect(
        Math.abs((drawn[index] ?? 0) - (computed[index] ?? 255)),
        `${from} to ${wanted}, channel ${index}`,
      ).toBeLessThanOrEqual(3)
  }
})
