import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { LoudnessMeter } from '../../core/audio/loudnessMeter.ts'
import { deliverNotices, followNotice } from '../arrange/cedar.ts'
import { expectNoFaults } from '../arrange/faults.ts'
import { dropFiles, expect, recordOutput, test, untilState } from '../arrange/fixtures.ts'
import { box, part, saved } from '../arrange/room.ts'
import { vectorAnimation } from '../media/shape.ts'
import { wav } from '../media/wav.ts'

test.use({ serverFor: 'library' })

const golden = (name: string) => readFileSync(new URL(`../media/files/${name}`, import.meta.url))
const tone = (peakDb: number, seconds: number) =>
  wav({ seconds, sampleAt: (at) => 10 ** (peakDb / 20) * Math.sin(2 * Math.PI * 997 * at) })
const tile = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Files', exact: true }).getByRole('button', { name: new RegExp(`^${name}`) })
const details = (page: Page) => page.getByRole('complementary', { name: 'The chosen file' })
const arrivals = (page: Page) => page.getByRole('region', { name: 'Files on their way' })
const dropZone = 'main input[type=search]'

async function openLibrary(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/media`)
  await expect(tile(page, 'Oven bell')).toBeVisible()
}

test('ten files of mixed kinds, one bad, and the connection lost in the middle: nine are usable, one is explained', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.slow()
  await signIn()
  const long = tone(-20, 30)
  const sentAt: number[] = []
  let lost = 0
  await page.route('**/api/channel/uploads/**', async (route, request) => {
    if (
      request.method() !== 'PATCH' ||
      Number(request.headers()['content-length'] ?? request.postDataBuffer()?.length ?? 0) < 1_000_000
    )
      return route.continue()
    const offset = Number(request.headers()['upload-offset'])
    // The long file loses its connection twice after its first piece.
    if (offset > 0 && lost < 2) {
      lost += 1
      return route.abort('connectionfailed')
    }
    sentAt.push(offset)
    return route.continue()
  })
  await openLibrary(page, demo.url)
  await dropFiles(page, dropZone, [
    { name: 'long.wav', bytes: long },
    { name: 'still.png', bytes: golden('still.png') },
    { name: 'opaque.jpg', bytes: golden('opaque.jpg') },
    { name: 'moving.gif', bytes: golden('moving.gif') },
    { name: 'moving.apng', bytes: golden('moving.apng') },
    { name: 'moving.webp', bytes: golden('moving.webp') },
    { name: 'no-picture.png', bytes: Buffer.from('This is no picture.') },
    { name: 'tone.opus', bytes: golden('tone.opus') },
    { name: 'tone.mp3', bytes: golden('tone.mp3') },
    { name: 'moving-vp9.webm', bytes: golden('moving-vp9.webm') },
  ])
  await context.setOffline(true)
  await expect(arrivals(page).getByRole('progressbar').first()).toBeVisible()
  await context.setOffline(false)
  for (const name of [
    'long.wav',
    'still.png',
    'opaque.jpg',
    'moving.gif',
    'moving.apng',
    'moving.webp',
    'tone.opus',
    'tone.mp3',
    'moving-vp9.webm',
  ])
    await expect(tile(page, name)).toBeVisible({ timeout: 90_000 })
  await expect(arrivals(page).getByText('no-picture.png was not taken')).toBeVisible()
  await expect(arrivals(page)).toContainText('It cannot be told what this file is. Pictures (PNG, JPEG')
  expect(lost).toBe(2)
  // What had arrived was not sent again.
  expect(sentAt.filter((offset) => offset > 0)).toEqual([4 * 1024 * 1024])
  await arrivals(page).getByRole('button', { name: 'Forget no-picture.png' }).click()
  await expect(arrivals(page)).toBeHidden()
  // A video is looked at by this browser: its artwork and its poster follow.
  // Tiles still move while the last files arrive: whoever misses one clicks again.
  await expect(async () => {
    await tile(page, 'moving-vp9.webm').click()
    await expect(details(page)).toBeVisible({ timeout: 1000 })
  }).toPass()
  await expect(details(page)).toContainText(/Artwork5[4-8] × 2[0-2], the rest is empty/)
})

test.describe('what is recorded', () => {
  // The policy of a source's page allows no recorder.
  test.use({ bypassCSP: true })
  test('a sound 12 dB too hot, dropped where it is needed, is heard within 1 LU of the target on the source page', async ({
    page,
    demo,
    signIn,
    context,
  }) => {
    const source = await context.newPage()
    const heard = await recordOutput(source)
    await source.goto(demo.boxes[0]?.sourceUrl ?? '')
    await untilState(source, 'waiting')

    await signIn()
    await page.goto(box(demo))
    await page.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Sound', exact: true }).click()
    await page.getByRole('button', { name: 'Look through the library for a sound' }).click()
    const drawer = page.getByRole('dialog', { name: 'Choose a sound' })
    await dropFiles(page, '[role=dialog] input[type=search]', [{ name: 'too hot.wav', bytes: tone(-4, 3.6) }])
    await drawer.getByRole('button', { name: /^too hot.wav/ }).click({ timeout: 15_000 })
    await drawer.getByRole('button', { name: 'Use it' }).click()
    await expect(
      page.getByRole('img', {
        name: /^Level: recorded −4.0 LUFS, peak −4.0 dBTP; on air −16.0 LUFS, peak −16.0 dBTP; wanted −16.0 LUFS/,
      }),
    ).toBeVisible()
    await expect(saved(page)).toBeVisible()
    await page.getByRole('button', { name: /^Put on air/ }).click()
    await page
      .getByRole('button', { name: /on air$/ })
      .last()
      .click()
    await expect(page.getByText('On air: version 2')).toBeVisible()

    await heard()
    await deliverNotices(demo, followNotice('caraway_owl'))
    await untilState(source, 'playing')
    await untilState(source, 'waiting')
    const { rateHz, channels } = await heard()
    const meter = new LoudnessMeter(rateHz, 2)
    meter.push(channels)
    const { integratedLufs, truePeakDbtp } = meter.end()
    expect(Math.abs(integratedLufs + 16)).toBeLessThan(1)
    expect(truePeakDbtp).toBeLessThan(-14)
  })
})

test('a picture with a transparent margin is laid out by its ink, and by its file where a person wants that', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(box(demo))
  await page.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Picture', exact: true }).click()
  await page.getByRole('button', { name: 'Look through the library for a picture' }).click()
  const drawer = page.getByRole('dialog', { name: 'Choose a picture' })
  await dropFiles(page, '[role=dialog] input[type=search]', [{ name: 'margin.svg', bytes: golden('still.svg') }])
  await drawer.getByRole('button', { name: /^margin.svg/ }).dblclick({ timeout: 15_000 })
  await page.getByRole('slider', { name: 'Playhead' }).focus()
  for (let step = 0; step < 3; step++) await page.keyboard.press('PageUp')
  // The artwork is a square in a file that is wider than high: by its ink it fills the box from edge to edge.
  const filled = () =>
    part(page, 'picture').evaluate((element) => {
      const canvas = element as HTMLCanvasElement
      const pixels = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? []
      let opaque = 0
      for (let at = 3; at < pixels.length; at += 4) if ((pixels[at] ?? 0) > 128) opaque += 1
      return opaque / (canvas.width * canvas.height)
    })
  await expect.poll(filled).toBeGreaterThan(0.98)
  await expect(page.getByRole('button', { name: /^Its own size, 33\d × 33\d$/ })).toBeVisible()
  await page.getByRole('checkbox', { name: /^laid out by the artwork/ }).uncheck()
  await expect.poll(filled).toBeLessThan(0.1)
})

test('a file is named, tagged, found, replaced everywhere, deleted, and all of it taken back, by keys', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await openLibrary(page, demo.url)
  await tile(page, 'Kettle').focus()
  await page.keyboard.press('Enter')
  await details(page).getByLabel('Name').fill('Old kettle')
  await page.keyboard.press('Enter')
  await details(page).getByLabel(/^Tags/).fill('kitchen, ready')
  await page.keyboard.press('Enter')
  await expect(tile(page, 'Old kettle')).toBeVisible()
  await page.getByRole('searchbox').fill('KITCHÉN')
  await expect(page.getByRole('list', { name: 'Files', exact: true }).getByRole('listitem')).toHaveCount(1)
  await page.getByRole('searchbox').fill('')

  await tile(page, 'Oven bell').focus()
  await page.keyboard.press('Enter')
  const uses = details(page).getByRole('link', { name: /Night counter: Follow, Everyday/ })
  await expect(details(page).getByRole('link').first()).toBeVisible()
  const before = await details(page).getByRole('link').count()
  await details(page).getByRole('button', { name: 'Replace everywhere' }).focus()
  await page.keyboard.press('Enter')
  const drawer = page.getByRole('dialog', { name: 'In the place of “Oven bell”' })
  await drawer.getByRole('button', { name: /^Old kettle/ }).focus()
  await page.keyboard.press('Enter')
  await drawer.getByRole('button', { name: 'Use it' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText(/“Old kettle” takes the place of “Oven bell” in \d+ parts? of the drafts/)).toBeVisible()
  await expect(details(page)).toContainText('Nothing uses it.')
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(details(page).getByRole('link')).toHaveCount(before)
  expect(await uses.count()).toBeLessThanOrEqual(before)

  await details(page).getByRole('button', { name: 'Delete' }).focus()
  await page.keyboard.press('Enter')
  await expect(tile(page, 'Oven bell')).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(tile(page, 'Oven bell')).toBeVisible()
})

test('sound that only browsers decode is decoded here; a vector animation is looked at and found at any moment', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await openLibrary(page, demo.url)
  await dropFiles(page, dropZone, [
    { name: 'tone.m4a', bytes: golden('tone.m4a') },
    { name: 'square.json', bytes: Buffer.from(vectorAnimation()) },
  ])
  await arrivals(page).getByRole('button', { name: 'Let this browser read its sound' }).click({ timeout: 15_000 })
  await expect(tile(page, 'tone.wav')).toBeVisible({ timeout: 15_000 })
  await tile(page, 'square.json').click()
  await expect(details(page)).toContainText(/Artwork5[4-8] × 2[0-2], the rest is empty/, { timeout: 15_000 })
  await expect(details(page)).toContainText('2.00 s, 20 frames')
})

test('a vector animation is found at any moment on the stage; an own font is chosen like one that ships', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await openLibrary(page, demo.url)
  await dropFiles(page, dropZone, [
    { name: 'gliding.json', bytes: Buffer.from(vectorAnimation({ nm: 'gliding' })) },
    {
      name: 'mono.woff2',
      bytes: readFileSync(
        new URL(
          '../../node_modules/@fontsource-variable/martian-mono/files/martian-mono-latin-wght-normal.woff2',
          import.meta.url,
        ),
      ),
    },
  ])
  await expect(tile(page, 'mono.woff2')).toContainText('weights 100–800', { timeout: 15_000 })
  await tile(page, 'gliding.json').click()
  await expect(details(page)).toContainText('the rest is empty', { timeout: 15_000 })

  await page.goto(`${box(demo)}?kind=raid`)
  await expect(page.getByRole('heading', { name: 'Raid', exact: true })).toBeVisible()
  await page.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Picture', exact: true }).click()
  await page.getByRole('button', { name: /^Picture: / }).click()
  await page.getByRole('option', { name: /^gliding/ }).click()
  const playhead = page.getByRole('slider', { name: 'Playhead' })
  /** How far to the right the square stands in its box, 0…1; null where nothing is drawn. */
  const middle = () =>
    part(page, 'picture').evaluate((element) => {
      const canvas = element as HTMLCanvasElement
      const pixels = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? []
      let [sum, count] = [0, 0]
      for (let at = 3; at < pixels.length; at += 4) {
        if ((pixels[at] ?? 0) < 128) continue
        sum += ((at - 3) / 4) % canvas.width
        count += 1
      }
      return count === 0 ? null : sum / count / canvas.width
    })
  await playhead.focus()
  await page.keyboard.press('Home')
  for (let step = 0; step < 2; step++) await page.keyboard.press('PageUp')
  await expect.poll(middle).not.toBeNull()
  const first = await middle()
  await page.keyboard.press('PageUp')
  await expect.poll(middle).not.toBe(first)
  await page.keyboard.press('PageDown')
  await expect.poll(middle).toBe(first)

  await page.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Headline', exact: true }).click()
  await page.getByRole('button', { name: /^Type: / }).click()
  await page.getByRole('option', { name: 'Martian Mono' }).click()
  await expect
    .poll(() =>
      part(page, 'headline').evaluate((element) =>
        [element, ...element.querySelectorAll('*')].map((each) => getComputedStyle(each).fontFamily).join(),
      ),
    )
    .toContain('Martian Mono')
  expect(
    await page.evaluate(() =>
      [...document.fonts].some(
        (face) => face.family.includes('Martian Mono') && !face.family.includes('Variable') && face.status === 'loaded',
      ),
    ),
  ).toBe(true)
})

test('files are served so that nothing in them can run, whole and in part, and only by their hash', async ({
  page,
  demo,
  signIn,
  request,
}) => {
  await signIn()
  const { media } = (await (await page.request.get(`${demo.url}/api/channel/media`)).json()) as {
    media: { url: string; kind: string; sizeBytes: number }[]
  }
  for (const { url } of media) {
    const answer = await request.get(demo.url + url)
    expect(answer.headers()).toMatchObject({
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': 'public, max-age=31536000, immutable',
    })
    expect(answer.headers()['content-type']).not.toMatch(/html|svg|xml|javascript/)
  }
  const [file] = media
  const part = await request.get(demo.url + (file?.url ?? ''), { headers: { range: 'bytes=10-19' } })
  expect([part.status(), (await part.body()).length, part.headers()['content-range']]).toEqual([
    206,
    10,
    `bytes 10-19/${file?.sizeBytes}`,
  ])
  expect((await request.get(`${demo.url}/media/${'0'.repeat(64)}`)).status()).toBe(404)
})

test('a moderator sees the library and changes nothing; strangers and other channels’ uploads are as good as none', async ({
  page,
  demo,
  signIn,
  request,
}) => {
  const start = {
    headers: {
      'tus-resumable': '1.0.0',
      'upload-length': '10',
      'upload-metadata': `filename ${Buffer.from('a').toString('base64')}`,
    },
  }
  expect((await request.post(`${demo.url}/api/channel/uploads`, start)).status()).toBe(401)
  await signIn('moderator')
  expect((await page.request.post(`${demo.url}/api/channel/uploads`, start)).status()).toBe(403)
  await openLibrary(page, demo.url)
  await expect(page.getByRole('button', { name: 'Add files' })).toBeHidden()
  await tile(page, 'Crackle').click()
  await expect(details(page).getByLabel('Name')).toBeDisabled()
  await expect(details(page).getByRole('button', { name: 'Delete' })).toBeHidden()
  await signIn('editor')
  expect(
    (
      await page.request.post(`${demo.url}/api/channel/uploads`, {
        headers: { ...start.headers, 'upload-length': String(1e9) },
      })
    ).status(),
  ).toBe(413)
  expect(
    (
      await page.request.head(`${demo.url}/api/channel/uploads/channel-other--upload-x`, {
        headers: { 'tus-resumable': '1.0.0' },
      })
    ).status(),
  ).toBe(404)
})

test('the library and its drawer are accessible', async ({ page, demo, signIn }) => {
  await signIn()
  await openLibrary(page, demo.url)
  await tile(page, 'Oven bell').click()
  await expect(details(page)).toContainText('LUFS')
  await expectNoFaults(page)
  await page.goto(box(demo))
  await page.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Sound', exact: true }).click()
  await page.getByRole('button', { name: 'Look through the library for a sound' }).click()
  await expect(page.getByRole('heading', { name: 'Choose a sound' })).toBeVisible()
  await expectNoFaults(page)
})
