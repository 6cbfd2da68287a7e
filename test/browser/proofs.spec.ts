import { readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import type { APIResponse, Page } from '@playwright/test'
import type { BoxDocument } from '../../core/composition/box.ts'
import { starterLine, starterShape } from '../../core/composition/starterParts.ts'
import { unzipSync } from 'fflate'
import { boxOnAir, shortAlert } from '../arrange/boxOnAir.ts'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'proofs' })

const status = (page: Page) => page.getByRole('region', { name: 'Proof sheet' }).getByRole('status')
const row = (page: Page, name: string) => page.getByRole('region', { name, exact: true })
const views = (page: Page) => page.getByRole('list', { name: 'Show' })
const drawn = /· drawn in \d+ s$/

const canvas = { widthPx: 1280, heightPx: 720, framesPerSecond: 30 }

/** An alert whose whole canvas goes black and white eight times a second, and one with words that never fit. */
function hardAlerts(): BoxDocument['alerts'] {
  const blinking = shortAlert('raid')
  const [first] = blinking.variations
  if (!first) throw new Error('no case')
  first.composition.length = { rule: 'fixed', ms: 2500 }
  first.composition.parts = [
    {
      ...starterShape(canvas),
      ...{ id: 'blink', name: 'Blink', form: 'rectangle', widthPx: 1280, heightPx: 720 },
      place: { xPx: 640, yPx: 360, origin: 'centre' },
      fill: { own: '#FFFFFF' },
      keyframes: [
        {
          property: 'opacity',
          frames: Array.from({ length: 32 }, (_, index) => ({
            atMs: Math.round((index * 1000) / 16),
            value: 1 - (index % 2),
            easing: 'linear' as const,
          })),
        },
      ],
    },
  ]
  const long = shortAlert('applause')
  const [only] = long.variations
  if (!only) throw new Error('no case')
  const words = 'much too much to be said in one line of an alert, '.repeat(5)
  only.composition.parts = [
    { ...starterLine(canvas, 'headline', `${words}{name}`, { at: 'score.start', offsetMs: 0 }), fit: 'shrink' },
  ]
  const plain = shortAlert('follow')
  const [everyday] = plain.variations
  if (!everyday) throw new Error('no case')
  everyday.composition.length = { rule: 'fixed', ms: 6000 }
  for (const part of everyday.composition.parts)
    if (part.kind === 'line') Object.assign(part, { fit: 'wrap', maxLines: 4 })
  return [blinking, long, plain]
}

const changeAlerts = (page: Page, demo: DemoFile, id: string, alerts: BoxDocument['alerts']): Promise<APIResponse> =>
  page.request.patch(`${demo.url}/api/boxes/${id}/draft`, {
    data: { baseRevision: 1, patches: [{ op: 'replace', path: ['alerts'], value: alerts }] },
  })

test('what is to be mended comes first; flashes are found and calmed, cut words broken into lines; a picture opens its case', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const { id } = await boxOnAir(page, demo, 'Hard to look at', hardAlerts())
  await page.goto(`${demo.url}/rehearsal/proofs?box=${id}`)
  await expect(status(page)).toHaveText(drawn)
  await expect(status(page)).toContainText(/^\d+ of 24 pictures have something to mend/)
  await expect(views(page).getByRole('button', { name: 'Since on air' })).toHaveText(/0$/)
  const blinking = row(page, 'Raid, Everyday')
  await expect(blinking).toContainText(/It flashes \d+ times in the second from 0\.\d+ s on, over 100 % of what/)
  await expectNoFaults(page)

  // By keyboard: one remark alone, and the way back.
  await page.getByRole('button', { name: /^Text is cut/ }).focus()
  await page.keyboard.press('Enter')
  await expect(blinking).toHaveCount(0)
  await expect(row(page, 'Applause, Everyday').getByRole('list', { name: 'Pictures' }).getByRole('img')).toHaveCount(8)
  await page.keyboard.press('Enter')

  await blinking.getByRole('button', { name: 'Make it gentler' }).click()
  await expect(blinking).toHaveCount(0)
  await expect(status(page)).toHaveText(drawn)
  await expect(blinking).toHaveCount(0)
  await page.getByRole('button', { name: /^Since on air/ }).click()
  await expect(blinking).toContainText('differs')
  await expect(blinking.getByRole('img', { name: 'Raid, Everyday, everyday, as it is on air' })).toBeVisible()

  await page.getByRole('button', { name: /^All/ }).click()
  await row(page, 'Applause, Everyday').getByRole('link').filter({ hasText: 'right-to-left' }).click()
  await expect(page).toHaveURL(/with=rightToLeft/)
  await expect(page.getByRole('button', { name: 'right-to-left' })).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('heading', { name: 'Applause' })).toBeVisible()
  // What goes on air is told from the same sheet.
  await page.getByRole('button', { name: /^Put on air/ }).click()
  await expect(page.getByRole('dialog').getByRole('status')).toContainText(/of 24 pictures have something to mend/)
})

test('a sheet is saved as one page that needs nothing else, and as pictures; a pack takes it along', async ({
  page,
  demo,
  signIn,
  browser,
}, info) => {
  await signIn()
  const { id } = await boxOnAir(page, demo, 'To be shown', hardAlerts().slice(2))
  await changeAlerts(page, demo, id, hardAlerts().slice(1))
  await page.goto(`${demo.url}/rehearsal/proofs?box=${id}`)
  await expect(status(page)).toHaveText(drawn)
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a page' }).click(),
  ])
  expect(saved.suggestedFilename()).toBe('proof-sheet-of-to-be-shown.html')
  const path = info.outputPath('sheet.html')
  await saved.saveAs(path)

  const alone = await browser.newContext({ offline: true })
  const sheet = await alone.newPage()
  const asked: string[] = []
  sheet.on('request', (request) => request.url().startsWith('data:') || asked.push(request.url()))
  await sheet.goto(pathToFileURL(path).href)
  await expect(sheet.getByRole('heading', { level: 1 })).toHaveText('Proof sheet of To be shown')
  const pictures = sheet.getByRole('img')
  await expect(pictures).toHaveCount(16)
  expect(
    await pictures.evaluateAll((all) => all.every((each) => (each as HTMLImageElement).naturalWidth === 480)),
  ).toBe(true)
  await sheet.getByRole('radio', { name: /^To mend/ }).check()
  await expect(sheet.getByRole('heading', { name: 'Follow · Everyday' })).toBeHidden()
  await expect(sheet.getByRole('heading', { name: 'Applause · Everyday' })).toBeVisible()
  // A name that looks like markup is only a name.
  expect(await sheet.evaluate(() => document.querySelectorAll('script, b').length)).toBe(0)
  expect(asked).toEqual([pathToFileURL(path).href])
  await alone.close()

  const [pictured] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as pictures' }).click(),
  ])
  expect(pictured.suggestedFilename()).toBe('proof-sheet-of-to-be-shown.png')
  const png = info.outputPath('sheet.png')
  await pictured.saveAs(png)
  expect(readFileSync(png).readUInt32BE(16)).toBe(8 * 504 + 24)

  await page.goto(`${demo.url}/boxes/${id}`)
  await page.getByRole('button', { name: 'Packs and dials' }).click()
  await page.getByRole('button', { name: 'Save as a pack…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Save as a pack' })
  await dialog.getByText('With its proof sheet').click()
  await expect(dialog.getByRole('status')).toContainText('16 pictures')
  const [packed] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: /^Download/ }).click(),
  ])
  const pack = info.outputPath('pack.zip')
  await packed.saveAs(pack)
  const files = unzipSync(readFileSync(pack))
  expect(Object.keys(files)).toContain('manifest.json')
  expect(new TextDecoder().decode(files['proof-sheet.html'])).toContain('16 pictures')
  // Another channel takes it as it is.
  const taken = await page.request.post(`${demo.url}/api/packs`, {
    headers: { 'content-type': 'application/zip' },
    data: readFileSync(pack),
  })
  expect(taken.status()).toBe(201)
})

test('the check before a broadcast says what to do, follows sources as they come, and leads there by keyboard', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn('moderator')
  await page.goto(`${demo.url}/rehearsal/check`)
  const lines = page.getByRole('list', { name: 'What was looked at' })
  const line = (name: string) =>
    lines.getByRole('listitem').filter({ has: page.getByRole('heading', { name, exact: true }) })
  await expect(page.getByRole('status')).toContainText(/\d+ things? to mend before you go live/)
  const missing = line('Sources').getByText('Nothing shows “Night counter”')
  await expect(missing).toBeVisible()
  await expect(line('Room')).toContainText(/\d+ GiB free/)
  await expectNoFaults(page)

  const source = await context.newPage()
  await source.setViewportSize({ width: 1280, height: 720 })
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  // It is there, and of another size than the box.
  await expect(missing).toHaveCount(0)
  await expect(line('Sources')).toContainText('The source of “Night counter”: enter width 1920 and height 1080')
  await source.setViewportSize({ width: 1920, height: 1080 })
  await source.reload()
  await expect(line('Sources')).not.toContainText('enter width 1920')

  await line('Sources').getByRole('link').first().focus()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/(desk|boxes|boards)/)
})

test('a board is proved in each of its states; a case that cannot be drawn says why in its place', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(`${demo.url}/rehearsal/proofs`)
  await page.getByRole('button', { name: 'Counter board' }).click()
  await expect(status(page)).toHaveText(/^(6 pictures, nothing|\d of 6 pictures have something) to mend · drawn in/)
  await page.getByRole('button', { name: /^All/ }).click()
  await expect(
    row(page, 'Counter board, in each of its states').getByRole('list', { name: 'Pictures' }).getByRole('img'),
  ).toHaveCount(6)

  const broken = shortAlert('follow')
  const composition = broken.variations[0]?.composition
  if (!composition) throw new Error('no case')
  composition.parts = [starterLine(canvas, 'headline', 'hello', { at: 'gone.entered', offsetMs: 0 })]
  const { id } = await boxOnAir(page, demo, 'Broken', [shortAlert('follow')])
  expect((await changeAlerts(page, demo, id, [broken])).ok()).toBe(true)
  await page.goto(`${demo.url}/rehearsal/proofs?box=${id}`)
  await expect(status(page)).toContainText('8 of 8 pictures have something to mend')
  await expect(row(page, 'Follow, Everyday').getByRole('link').first()).toContainText('which is gone')
})
