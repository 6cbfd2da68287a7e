import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { PNG } from 'pngjs'
import { eventTypeOf } from '../../contract/cloudEvent.ts'
import type { MediaView } from '../../contract/views.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { dropFiles, expect, test } from '../arrange/fixtures.ts'
import { box, command, lane, part, saved } from '../arrange/room.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'ownCode' })

async function openAlert(page: Page, demo: DemoFile, kind: RegExp): Promise<void> {
  await page.goto(box(demo))
  await page.getByRole('button', { name: kind }).first().click()
  await expect(part(page, 'headline')).toBeAttached()
}
/** What the browser made of something in the document of the code part. */
const inCode = (page: Page, selector: string, property: string) =>
  part(page, 'code')
    .locator('iframe')
    .evaluate(
      (frame, [find, read]) => {
        const { contentDocument, contentWindow } = frame as HTMLIFrameElement
        const found = contentDocument?.querySelector(find ?? '')
        return found ? (contentWindow?.getComputedStyle(found).getPropertyValue(read ?? '') ?? '') : ''
      },
      [selector, property],
    )

test('code of one’s own is written with keys alone: in colours, completed, told what is left out, turned by a property', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await openAlert(page, demo, /^Applause/)
  await command(page, 'Add code of your own')
  await lane(page, 'Code').focus()
  await page.keyboard.press('Enter')
  await expect.poll(() => inCode(page, 'strong', 'font-size')).toBe('64px')

  const before = await inCode(page, 'strong', 'color')
  const css = page.getByRole('textbox', { name: 'CSS', exact: true })
  await css.focus()
  await page.keyboard.press('ControlOrMeta+End')
  await page.keyboard.type('strong { color: var(--acc')
  await expect(page.getByRole('option', { name: /--accent/ })).toBeVisible()
  // The list takes no key in its first 75 ms, so that nobody accepts what they had no time to see.
  await page.waitForTimeout(150)
  await page.keyboard.press('Enter')
  await page.keyboard.type('); }')
  await expect.poll(() => inCode(page, 'strong', 'color')).not.toBe(before)
  await expect(page.locator('.code-field .tok-propertyName').first()).toBeVisible()

  await page.getByRole('textbox', { name: 'HTML', exact: true }).focus()
  await page.keyboard.press('ControlOrMeta+Home')
  await page.keyboard.insertText('<script>alert(1)</script>')
  await expect(page.getByText('Line 1: <script> is left out: nothing runs here.')).toBeVisible()
  await expect(page.getByText('“Code”, HTML, line 1: <script> is left out: nothing runs here.')).toBeVisible()
  for (let step = 0; step < 25; step++) await page.keyboard.press('Delete')
  await page.keyboard.press('ControlOrMeta+z')
  await expect(page.getByText('Line 1: <script> is left out: nothing runs here.')).toHaveCount(0)

  const size = page.getByRole('spinbutton', { name: 'Number size' }).or(page.getByLabel('Number size')).first()
  await size.fill('90')
  await page.keyboard.press('Enter')
  await expect.poll(() => inCode(page, 'strong', 'font-size')).toBe('90px')
  await page.getByRole('button', { name: 'Words', exact: true }).press('Enter')
  await expect(page.getByLabel('Words words')).toHaveValue('{name}')
  await expect(saved(page)).toBeVisible()
  await expectNoFaults(page, artwork)
})

test('the sound of a video has a lane of its own, and is muted and heard again there', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await openAlert(page, demo, /^Applause/)
  const bytes = readFileSync(new URL('../media/files/flash-click.webm', import.meta.url))
  await dropFiles(page, '[role=application]', [{ name: 'flash.webm', bytes, type: 'video/webm' }])
  const sound = lane(page, 'Sound of flash.webm')
  await expect(sound).toBeVisible({ timeout: 30_000 })
  await expect(page.locator('[data-clip$=".own"] path').first()).toBeAttached()
  const mute = page.getByRole('button', { name: 'Mute the sound of flash.webm' })
  await mute.click()
  await expect(mute).toHaveAttribute('aria-pressed', 'true')
  await expect(page.locator('[data-clip$=".own"]')).toContainText('muted')
  await mute.press('Space')
  await expect(mute).toHaveAttribute('aria-pressed', 'false')
  await sound.click()
  await expect(page.getByRole('button', { name: /^Its sound/ })).toBeVisible()
  await page.getByRole('checkbox', { name: /as loud as this box wants/ }).uncheck()
  await expect(page.locator('[data-clip$=".own"]')).toContainText('0.0 dB')
  await expect(saved(page)).toBeVisible()
  await expectNoFaults(page, artwork)
})

test('the sound of a video that only browsers decode is measured by the one that looks at it', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await page.goto(`${demo.url}/media`)
  const bytes = readFileSync(new URL('../media/files/aac-sound.mp4', import.meta.url))
  await dropFiles(page, 'main input[type=search]', [{ name: 'aac.mp4', bytes, type: 'video/mp4' }])
  const heard = async () => {
    const { media } = (await (await page.request.get(`${demo.url}/api/channel/media`)).json()) as { media: MediaView[] }
    const measured = media.find(({ name }) => name === 'aac.mp4')?.measured
    return (measured?.of === 'picture' && measured.ownSound?.heard) || null
  }
  // The demo's own files are looked at before it.
  await expect.poll(heard, { timeout: 60_000 }).toMatchObject({ channelCount: 2, rateHz: 48_000 })
  expect(Math.abs(((await heard())?.loudness?.integratedLufs ?? 0) + 22)).toBeLessThan(1)
})

test('an alert is seen with what somebody types, in another language, or with something that happened', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await openAlert(page, demo, /^Tip/)
  const tip = { viewer: { id: 'owl', name: 'caraway_owl' }, amountMinor: 500, currency: 'EUR' }
  const came = await fetch(`${demo.url}/api/events`, {
    method: 'POST',
    headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
    body: JSON.stringify({ specversion: '1.0', id: 'past-tip', source: 'test', type: eventTypeOf('tip'), data: tip }),
  })
  expect(came.status).toBe(202)
  const typed = page.getByRole('button', { name: /^(typed|happened)$/ })
  await typed.press('Enter')
  await page.getByLabel('Name', { exact: true }).fill('Odalys <b>')
  await page.getByLabel('Message', { exact: true }).fill('one rye, please')
  const amount = page.getByLabel('Amount', { exact: true })
  await amount.fill('1234.5')
  await amount.press('Enter')
  const headline = part(page, 'headline')
  await expect(headline).toContainText('Odalys <b>')
  await expect(headline).toContainText('€1,234.50')
  await expect(part(page, 'message')).toContainText('one rye, please')
  await page.getByRole('button', { name: /^Language of numbers/ }).click()
  await page.getByRole('option', { name: 'German', exact: true }).click()
  await expect(headline).toContainText('1.234,50')
  await expect(page.locator('[data-given]').first()).toContainText('1.234,50')
  const happened = page.getByRole('region', { name: 'Something that happened' }).getByRole('button').first()
  await happened.press('Enter')
  await expect(page.getByRole('button', { name: 'happened', exact: true })).toBeVisible()
  await expect(headline).not.toContainText('Odalys')
  await page.getByRole('button', { name: /^caraway_owl/ }).click()
  await expect(headline).toContainText('caraway_owl')
  await expectNoFaults(page, artwork)
  await page.getByRole('button', { name: 'Back to the ready samples' }).click()
  await expect(headline).toContainText('pip_rye')
})

test('the stage stands alone by one key, and a moment of it is saved as a picture', async ({ page, demo, signIn }) => {
  await signIn('editor')
  await openAlert(page, demo, /^Tip/)
  await page.getByRole('application').focus()
  const score = page.getByRole('region', { name: 'Score' })
  await page.keyboard.press('f')
  await expect(score).toBeHidden()
  await expect(part(page, 'headline')).toBeVisible()
  await expectNoFaults(page, artwork)
  await page.keyboard.press('f')
  await expect(score).toBeVisible()
  await page.getByRole('button', { name: 'The stage alone' }).click()
  await expect(score).toBeHidden()
  await page.getByRole('button', { name: 'The stage alone' }).click()
  await expect(score).toBeVisible()

  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save this moment as a picture' }).click()
  const download = await coming
  expect(download.suggestedFilename()).toMatch(/-tip-everyday-[\d.]+s\.png$/)
  const picture = PNG.sync.read(readFileSync(await download.path()))
  expect([picture.width, picture.height]).toEqual([1920, 1080])
  const seen = (from: number, to: number) => {
    let inked = 0
    for (let at = from * 4 + 3; at < to * 4; at += 4) inked += (picture.data[at] ?? 0) > 0 ? 1 : 0
    return inked
  }
  expect(seen(0, 1920 * 1080)).toBeGreaterThan(20_000)
  // Nothing is drawn in its first line: it is transparent there.
  expect(seen(0, 400)).toBe(0)
})
