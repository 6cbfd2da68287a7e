import { rmSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import type { DemoFile } from '../arrange/server.ts'
import { deliverNotices, followNotice } from '../arrange/cedar.ts'
import { expect, stateOf, test, untilState, watchPlays } from '../arrange/fixtures.ts'

test.use({ serverFor: 'source' })

/** Ends what plays, so that a test need not wait for its end. */
async function skipCurrent(source: Page, demo: DemoFile): Promise<void> {
  const playId = await source.locator('html').getAttribute('data-play')
  await source.request.delete(`${demo.url}/api/boxes/${demo.boxes[0]?.id}/plays/${playId}`)
  await untilState(source, 'waiting')
}

const rectangleOf = (source: Page, part: string) => source.locator(`[data-part=${part}]`).boundingBox()

for (const [what, name] of [
  ['markup', '<img src=x onerror="document.title=1"><b>bold</b>'],
  ['right-to-left text', 'نورا_خبز نورا_خبز'],
  ['an override of direction', '\u202Egnp.exe'],
  ['emoji', '🥐🥐🥐wisp👩‍👩‍👧‍👦'],
  ['400 letters', 'the_person_with_an_exceptionally_long_display_name'.repeat(8)],
  ['400 wide letters', '毛毛面包'.repeat(100)],
] as const) {
  test(`a name of ${what} is text, whole or with an ellipsis, and stays on the canvas`, async ({
    page,
    demo,
    signIn,
  }) => {
    await page.setViewportSize({ width: 1920, height: 1080 })
    await page.goto(demo.boxes[0]?.sourceUrl ?? '')
    await untilState(page, 'waiting')
    await deliverNotices(demo, followNotice(name))
    await untilState(page, 'playing')
    const line = page.locator('[data-part=headline]')
    await expect(line).toBeVisible()
    await page.waitForTimeout(600)
    const shown = (await line.textContent()) ?? ''
    if (shown.endsWith('…')) expect(name.startsWith(shown.slice(0, -1))).toBe(true)
    else expect(shown).toBe(name)
    expect(await line.locator('img, b, script').count()).toBe(0)
    const box = await rectangleOf(page, 'headline')
    const text = await line.evaluate((element) => {
      const range = document.createRange()
      range.selectNodeContents(element)
      const { left, right } = range.getBoundingClientRect()
      return { left, right }
    })
    expect(text.left).toBeGreaterThanOrEqual(0)
    expect(text.right).toBeLessThanOrEqual(1920)
    expect(box?.height).toBeGreaterThanOrEqual(52)
    await skipCurrent(await signIn(), demo)
  })
}

test('emoji are really drawn, in their colours, by the font that ships', async ({ page, demo, signIn }) => {
  await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  await deliverNotices(demo, followNotice('🥐wisp'))
  await untilState(page, 'playing')
  const colourfulPixels = await page.evaluate(() => {
    const context = document.createElement('canvas').getContext('2d')
    if (!context) return 0
    context.font = '64px "Noto Color Emoji"'
    context.fillText('🥐', 10, 80)
    const { data } = context.getImageData(0, 0, 200, 120)
    let count = 0
    for (let at = 0; at < data.length; at += 4)
      if ((data[at + 3] ?? 0) > 200 && (data[at] ?? 0) - (data[at + 2] ?? 0) > 60) count += 1
    return count
  })
  expect(colourfulPixels).toBeGreaterThan(500)
  await skipCurrent(await signIn(), demo)
})

test('a source that is opened in the middle of a play joins it where it is', async ({ page, demo, context }) => {
  await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  await deliverNotices(demo, followNotice('Tomé Brandão'))
  await untilState(page, 'playing')
  await page.waitForTimeout(2500)
  const late = await context.newPage()
  await late.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(late, 'playing')
  expect(await late.locator('html').getAttribute('data-play')).toBe(
    await page.locator('html').getAttribute('data-play'),
  )
  await untilState(page, 'waiting')
  await untilState(late, 'waiting', 2500)
})

test('a reload in the middle of a play does not show it again', async ({ page, demo }) => {
  const plays = await watchPlays(page)
  await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  await deliverNotices(demo, followNotice('pip_rye'))
  await untilState(page, 'playing')
  await page.waitForTimeout(800)
  await page.reload()
  await untilState(page, 'waiting')
  await page.waitForTimeout(8500)
  expect(await plays()).toEqual([])
  expect(await stateOf(page)).toBe('waiting')
})

test('a media file that is gone plays the rest, and is reported at the desk', async ({
  page,
  demo,
  server,
  signIn,
  context,
}) => {
  const { media } = (await (await (await signIn()).request.get(`${demo.url}/api/channel/media`)).json()) as {
    media: { id: string; name: string }[]
  }
  const bell = media.find((file) => file.name === 'Swinging bell')
  rmSync(join(server.dataFolder, 'media', bell?.id ?? 'none'))
  const source = await context.newPage()
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  await page.goto(`${demo.url}/desk`)
  await page.request.post(`${demo.url}/api/boxes/${demo.boxes[0]?.id}/tests`, { data: { kind: 'redemption' } })
  await untilState(source, 'playing')
  await expect(source.getByText('Ring the oven bell')).toBeVisible()
  await expect(page.getByText('could not load: picture picture')).toBeVisible()
})

test('a replaced address cuts its sources off at once and is refused from then on', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn()
  const old = demo.boxes[1]?.sourceUrl ?? ''
  const source = await context.newPage()
  await source.goto(old)
  // Connected: what other tests left in its queue may be playing.
  await source.waitForSelector('html:is([data-state=waiting], [data-state=loading], [data-state=playing])', {
    state: 'attached',
  })
  await page.goto(`${demo.url}/boxes/${demo.boxes[1]?.id}`)
  await page.getByRole('button', { name: 'Source', exact: true }).click()
  const shown = page.locator('output[aria-label="Source address"]')
  await expect(shown).toContainText('••••')
  expect(await shown.textContent()).not.toContain(old.split('/').at(-1))
  await page.getByRole('button', { name: 'Show', exact: true }).click()
  await expect(shown).toHaveText(old)
  await page.getByRole('button', { name: /Replace it/ }).click()
  await page.getByRole('button', { name: 'Replace the address now' }).click()
  await untilState(source, 'offline', 3000)
  await expect(shown).not.toHaveText(old)
  expect((await page.request.get(old)).status()).toBe(404)
  await source.waitForTimeout(2000)
  expect(await stateOf(source)).toBe('offline')
  const fresh = await context.newPage()
  await fresh.goto((await shown.textContent()) ?? '')
  await fresh.waitForSelector('html:is([data-state=waiting], [data-state=loading], [data-state=playing])', {
    state: 'attached',
  })
})

test('the page is transparent, sets no cookie, loads nothing from elsewhere and needs no framework', async ({
  page,
  demo,
  context,
}) => {
  const asked: string[] = []
  page.on('request', (request) => asked.push(request.url()))
  const answer = await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  expect(answer?.headers()['cache-control']).toBe('no-store')
  expect(await context.cookies()).toEqual([])
  expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgba(0, 0, 0, 0)')
  expect(asked.every((url) => url.startsWith(demo.url))).toBe(true)
  expect(asked.some((url) => url.includes('/_nuxt/'))).toBe(false)
})
