import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { LoudnessMeter } from '../../core/audio/loudnessMeter.ts'
import { boxOnAir, shortAlert } from '../arrange/boxOnAir.ts'
import { bringFiles, everything, followWith, resolved } from '../arrange/composed.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, recordOutput, test, untilState } from '../arrange/fixtures.ts'
import { differingPixels, loadScore, openHarness, soughtFrame } from '../arrange/playerHarness.ts'
import { part } from '../arrange/room.ts'

test.use({ serverFor: 'film', bypassCSP: true, viewport: { width: 1280, height: 720 } })

/** Makes a file of the open case and takes it. */
async function makeFile(page: Page): Promise<{ name: string; bytes: Buffer }> {
  const coming = page.waitForEvent('download', { timeout: 240_000 })
  await page.getByRole('button', { name: 'Make the file' }).click()
  const download = await coming
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) }
}

/** The sample at which the first click of the video is heard. */
const firstClick = ([left]: readonly [Float32Array, Float32Array]) => left.findIndex((sample) => Math.abs(sample) > 0.1)

/** Loudness by BS.1770 from a little before the first click: what is gated depends on where its blocks begin. */
function loudnessOf(rateHz: number, channels: readonly [Float32Array, Float32Array]): number {
  const meter = new LoudnessMeter(rateHz, 2)
  const from = Math.max(0, firstClick(channels) - Math.round(rateHz * 0.4))
  meter.push(channels.map((samples) => samples.subarray(from)))
  return meter.end().integratedLufs
}

/** The sound of a file as the browser decodes it. */
async function soundIn(page: Page, bytes: Buffer): Promise<[Float32Array, Float32Array]> {
  const rows = await page.evaluate(async (base64) => {
    const file = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
    const decoded = await new OfflineAudioContext(2, 1, 48_000).decodeAudioData(file.buffer)
    return [0, 1].map((channel) => {
      const data = new Uint8Array(decoded.getChannelData(channel).slice().buffer)
      let letters = ''
      for (let from = 0; from < data.length; from += 32_768)
        letters += String.fromCharCode(...data.subarray(from, from + 32_768))
      return btoa(letters)
    })
  }, bytes.toString('base64'))
  const [left, right] = rows.map((row) => new Float32Array(new Uint8Array(Buffer.from(row, 'base64')).buffer))
  return [left ?? new Float32Array(), right ?? new Float32Array()]
}

/** Shows a moment of a film over the harness's ground. */
async function filmFrame(page: Page, atS: number): Promise<Buffer> {
  await page.evaluate(
    (at) =>
      new Promise<void>((resolve) => {
        const video = document.querySelector<HTMLVideoElement>('#film')
        if (!video) throw new Error('There is no film')
        video.requestVideoFrameCallback(() => requestAnimationFrame(() => resolve()))
        video.currentTime = at
      }),
    atS,
  )
  return page.screenshot()
}

test('a case with all there is becomes a film that opens in a browser and is seen and heard as on air', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.setTimeout(420_000)
  await signIn()
  await bringFiles(page, demo)
  const composition = everything()
  const { sourceUrl, id } = await boxOnAir(page, demo, 'Composed', [followWith(composition)])
  const source = await context.newPage()
  const heard = await recordOutput(source)
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  await page.bringToFront()
  await page.goto(`${demo.url}/boxes/${id}`)
  await page.getByRole('button', { name: 'Save this case as a film' }).click()
  await expectNoFaults(page, artwork)
  // What takes too long is given up; the room goes on meanwhile.
  const dialog = page.getByRole('dialog', { name: 'This case as a file' })
  await page.getByRole('button', { name: 'Make the file' }).click()
  await expect(dialog.getByRole('status')).toContainText(/Picture \d+ of 210/, { timeout: 60_000 })
  await page.keyboard.press('Escape')
  await expect(dialog).toBeHidden()
  await page.getByRole('button', { name: 'The film is made' }).click()
  await page.getByRole('button', { name: 'Give it up' }).click()
  await expect(dialog.getByRole('status')).toContainText('It was given up.')
  const { name, bytes } = await makeFile(page)
  expect(name).toBe('composed-follow.webm')
  await expect(dialog.getByRole('status')).toContainText('Saved composed-follow.webm')

  await heard()
  await page.request.post(`${demo.url}/api/boxes/${id}/tests`, { data: { kind: 'follow' } })
  await untilState(source, 'playing')
  await untilState(source, 'waiting')
  const onAir = await heard()
  const inFile = await soundIn(source, bytes)
  const onAirLufs = loudnessOf(onAir.rateHz, onAir.channels)
  expect(onAirLufs).toBeGreaterThan(-40)
  expect(Math.abs(loudnessOf(48_000, inFile) - onAirLufs)).toBeLessThan(0.1)
  // The first click of the video is half a second after the beginning, as its flash is.
  expect(Math.abs(firstClick(inFile) / 48_000 - 0.5)).toBeLessThan(0.005)

  const score = await resolved(page, demo, composition)
  await openHarness(page, demo)
  expect(await loadScore(page, score)).toEqual([])
  const moments = [300, 550, 1200, 1900, 4000]
  const sought: Buffer[] = []
  for (const moment of moments) sought.push(await soughtFrame(page, moment))
  await page.evaluate((base64) => {
    const file = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
    const video = document.createElement('video')
    video.id = 'film'
    video.muted = true
    video.style.cssText = 'position:fixed;inset:0;width:1280px;height:720px'
    video.src = URL.createObjectURL(new Blob([file], { type: 'video/webm' }))
    document.body.replaceChildren(video)
    return new Promise((resolve) => video.addEventListener('loadeddata', resolve, { once: true }))
  }, bytes.toString('base64'))
  // Between two pictures of a film no browser need show the one and not the other: the middle of each is looked at.
  for (const [index, moment] of moments.entries()) {
    const frame = await filmFrame(page, (Math.floor((moment * 30) / 1000) + 0.5) / 30)
    const other = sought[index] ?? Buffer.alloc(0)
    expect(differingPixels(frame, other), `at ${moment}`).toBeLessThan(1280 * 720 * 0.003)
  }
})

test('a moving picture is made by keys and shows what the stage shows', async ({ page, demo, signIn }) => {
  test.setTimeout(180_000)
  await signIn()
  const alert = shortAlert('follow')
  const { id } = await boxOnAir(page, demo, 'Short', [alert])
  await page.goto(`${demo.url}/boxes/${id}`)
  await expect(part(page, 'headline')).toBeVisible()
  await page.keyboard.press('ControlOrMeta+k')
  await page.keyboard.type('Save this case as a film')
  await expect(page.getByRole('option', { name: /^Save this case as a film/ })).toBeVisible()
  await page.keyboard.press('Enter')
  const dialog = page.getByRole('dialog', { name: 'This case as a file' })
  await dialog.getByRole('radio', { name: 'Film with sound' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(dialog.getByRole('radio', { name: '640 × 360' })).toBeChecked()
  await page.keyboard.press('Tab')
  await page.keyboard.press('ArrowLeft')
  await expect(dialog).toContainText('15 pictures, 30 a second')
  const { name, bytes } = await makeFile(page)
  expect(name).toBe('short-follow.webp')
  const read = await page.evaluate(async (base64) => {
    const data = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
    const decoder = new ImageDecoder({ data, type: 'image/webp' })
    await Promise.all([decoder.tracks.ready, decoder.completed])
    const track = decoder.tracks.selectedTrack
    const context = Object.assign(document.createElement('canvas'), { width: 1280, height: 720 }).getContext('2d')
    let lastsUs = 0
    for (let frameIndex = 0; frameIndex < (track?.frameCount ?? 0); frameIndex++) {
      const { image } = await decoder.decode({ frameIndex })
      lastsUs += image.duration ?? 0
      context?.clearRect(0, 0, 1280, 720)
      context?.drawImage(image, 0, 0)
      image.close()
    }
    context?.save()
    if (context) context.globalCompositeOperation = 'destination-over'
    if (context) context.fillStyle = '#223344'
    context?.fillRect(0, 0, 1280, 720)
    return {
      ...{ lastsUs, count: track?.frameCount ?? 0, repeats: track?.repetitionCount },
      last: context?.canvas.toDataURL().split(',')[1] ?? '',
    }
  }, bytes.toString('base64'))
  expect(read).toMatchObject({ lastsUs: 500_000, repeats: Infinity })
  expect(read.count).toBeGreaterThan(2)

  const composition = alert.variations[0]?.composition
  if (!composition) throw new Error('The alert has no case')
  await openHarness(page, demo)
  expect(await loadScore(page, await resolved(page, demo, composition))).toEqual([])
  const sought = await soughtFrame(page, 467)
  expect(differingPixels(Buffer.from(read.last, 'base64'), sought)).toBeLessThan(1280 * 720 * 0.003)
})
