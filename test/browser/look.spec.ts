import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { rgbOfHex } from '../../core/colour/oklch.ts'
import { lanternLook } from '../../core/look/lanternLook.ts'
import { paletteFrom } from '../../core/look/paletteFrom.ts'
import type { Palette } from '../../core/look/schema.ts'
import { boxOnAir, shortAlert } from '../arrange/boxOnAir.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import type { DemoFile } from '../arrange/server.ts'
import { box, part, putOnAir, saved } from '../arrange/room.ts'

test.use({ serverFor: 'look' })

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' })
const openLook = (page: Page) => page.getByRole('button', { name: /^Look of this box/ }).click()
const colourOf = (page: Page, id: string) =>
  part(page, id).evaluate((element) => {
    const words = [...element.querySelectorAll('*')].filter(
      (each) => each.textContent?.trim() && each.children.length === 0,
    )
    return getComputedStyle(words[0] ?? element).color
  })
/** Sets a native colour or date field, which no keyboard types into the same everywhere. */
const setField = (page: Page, label: string, value: string) =>
  inspector(page).getByLabel(label, { exact: true }).fill(value)
/** What the source shows of a test: the colour of its headline while it plays. */
async function playedColour(page: Page, source: Page, demo: DemoFile, boxId: string): Promise<string> {
  await untilState(source, 'waiting')
  expect((await page.request.post(`${demo.url}/api/boxes/${boxId}/tests`, { data: { kind: 'raid' } })).status()).toBe(
    202,
  )
  await untilState(source, 'playing')
  const colour = await source
    .locator('[data-part=headline]')
    .evaluate(
      (element) =>
        getComputedStyle(
          [...element.querySelectorAll('*')].find((each) => each.textContent?.trim() && each.children.length === 0) ??
            element,
        ).color,
    )
  await untilState(source, 'waiting')
  return colour
}

test('a season dresses what sources play from the next play on, without a reload, and the everyday look comes back', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn()
  const raid = shortAlert('raid')
  for (const { composition } of raid.variations) composition.length = { rule: 'fixed', ms: 1500 }
  const { id, sourceUrl } = await boxOnAir(page, demo, 'Seasons', [raid])
  const source = await context.newPage()
  await source.goto(sourceUrl)
  const everyday = await playedColour(page, source, demo, id)

  await page.goto(`${demo.url}/boxes/${id}`)
  await openLook(page)
  await inspector(page).getByRole('button', { name: 'A season' }).click()
  await setField(page, 'Name of the season', 'Today')
  await page.keyboard.press('Tab')
  await inspector(page)
    .getByRole('button', { name: /^How often/ })
    .click()
  await page.getByRole('option', { name: 'once' }).click()
  const today = new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/Lisbon' }).format(Date.now())
  await setField(page, 'Last day', '2099-12-31')
  await page.keyboard.press('Tab')
  await setField(page, 'First day', today)
  await page.keyboard.press('Tab')
  await setField(page, 'All colours from one', '#7fc8e8')
  await expect.poll(() => colourOf(page, 'headline')).not.toBe(everyday)
  const icy = await colourOf(page, 'headline')
  // The everyday one is as it was, and so is a day before.
  await setField(page, 'Show the day', '2020-05-01')
  await page.keyboard.press('Tab')
  await expect.poll(() => colourOf(page, 'headline')).toBe(everyday)
  await inspector(page).getByRole('button', { name: 'back' }).click()
  await expect.poll(() => colourOf(page, 'headline')).toBe(icy)
  await expectNoFaults(page, artwork)
  await putOnAir(page, 2)
  expect(await playedColour(page, source, demo, id)).toBe(icy)

  await inspector(page).getByRole('button', { name: 'Remove Today' }).click()
  await putOnAir(page, 3)
  expect(await playedColour(page, source, demo, id)).toBe(everyday)
  await source.close()
})

test('colours, type, motion and loudness of a whole box are retuned in a minute, saved as tokens and taken back', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(box(demo))
  await page.getByRole('button', { name: 'Raid', exact: false }).first().click()
  const wide = async () => (await part(page, 'headline').boundingBox())?.width ?? 0
  await expect(part(page, 'headline')).toHaveText('A queue at the door')
  // While the look is open the everyday one is shown, whatever season it is.
  await openLook(page)
  await expect.poll(() => colourOf(page, 'headline')).toMatch(/^rgb/)
  const before = { colour: await colourOf(page, 'headline'), width: await wide() }
  const [saving] = await (async () => {
    await inspector(page).getByRole('button', { name: /^File/ }).click()
    return Promise.all([
      page.waitForEvent('download'),
      inspector(page).getByRole('button', { name: 'Save as a file' }).click(),
    ])
  })()
  const tokens = JSON.parse(await readFile(await saving.path(), 'utf8')) as {
    palette: { accent: { $value: { hex: string } } }
  }
  expect(tokens.palette.accent.$value.hex).toBe('#ffc247')

  await setField(page, 'All colours from one', '#3fae6a')
  await inspector(page)
    .getByRole('button', { name: /^Typeface of display/ })
    .click()
  await page.getByRole('option', { name: 'Anton' }).click()
  await inspector(page).getByLabel('Size of display').fill('130')
  await page.keyboard.press('Tab')
  await inspector(page)
    .getByRole('button', { name: /^How words enter/ })
    .click()
  await page.getByRole('option', { name: 'zoom', exact: true }).click()
  await inspector(page).getByLabel('Loudness of all sounds').fill('-20')
  await expect.poll(() => colourOf(page, 'headline')).not.toBe(before.colour)
  expect(
    await part(page, 'headline').evaluate((element) =>
      [element, ...element.querySelectorAll('*')].some((each) => getComputedStyle(each).fontFamily.includes('Anton')),
    ),
  ).toBe(true)
  // Every other alert follows too.
  await page.getByRole('button', { name: 'Follow', exact: true }).click()
  await expect.poll(() => colourOf(page, 'headline')).not.toBe(before.colour)
  await expect(saved(page)).toBeVisible()

  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    inspector(page).getByRole('button', { name: 'Take from a file' }).click(),
  ])
  await chooser.setFiles({
    name: 'lantern.tokens.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(tokens)),
  })
  await expect(inspector(page).getByText(/tokens taken over\.$/)).toBeVisible()
  await page.getByRole('button', { name: 'Raid', exact: false }).first().click()
  await expect.poll(() => colourOf(page, 'headline')).toBe(before.colour)
  await expect.poll(wide).toBeCloseTo(before.width, 0)
  const [bad] = await Promise.all([
    page.waitForEvent('filechooser'),
    inspector(page).getByRole('button', { name: 'Take from a file' }).click(),
  ])
  await bad.setFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"colour":{"$value":"#123456"}}'),
  })
  await expect(inspector(page).getByText('Nothing in this file is for a look')).toBeVisible()
})

test('one case is carried over to many, seen before and after, as one step; and to a kind that had no alert', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  const { id } = await boxOnAir(page, demo, 'Many', [shortAlert('follow'), shortAlert('raid'), shortAlert('tip')])
  await page.goto(`${demo.url}/boxes/${id}`)
  await page.getByRole('button', { name: 'Tip', exact: true }).click()
  await page.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Headline', exact: true }).click()
  await inspector(page).getByLabel('Size', { exact: true }).fill('180')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Apply to…' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('now')).toHaveCount(2)
  await dialog.getByRole('checkbox', { name: 'Raid: Everyday' }).uncheck()
  await dialog.getByRole('checkbox', { name: 'Goal reached' }).check()
  await expect(dialog.getByText('Goal reached: {name} becomes {goal}')).toBeVisible()
  await page.waitForTimeout(400)
  await expectNoFaults(page, artwork)
  await dialog.getByRole('button', { name: 'Apply to 2 places' }).click()
  const size = () => inspector(page).getByLabel('Size', { exact: true }).inputValue()
  await page.getByRole('button', { name: 'Follow', exact: true }).click()
  await expect.poll(size).toBe('180')
  await page.getByRole('button', { name: 'Raid', exact: true }).click()
  await expect.poll(size).not.toBe('180')
  await page.getByRole('button', { name: 'Goal reached', exact: true }).click()
  await expect(part(page, 'headline')).toHaveText('new oven fund')
  await page.getByRole('application').focus()
  await page.keyboard.press('ControlOrMeta+z')
  await expect(page.getByRole('button', { name: 'Goal reached', exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'Follow', exact: true }).click()
  await expect.poll(size).not.toBe('180')
})

test('several parts are changed at once, and say in what they are mixed', async ({ page, demo, signIn }) => {
  await signIn()
  const { id } = await boxOnAir(page, demo, 'At once', [shortAlert('raid')])
  await page.goto(`${demo.url}/boxes/${id}`)
  const lanes = page.getByRole('region', { name: 'Score' })
  await page.getByRole('toolbar', { name: 'Add and arrange parts' }).getByRole('button').first().click()
  await expect(lanes.getByRole('button', { name: /^Line/ })).toBeVisible()
  await lanes.getByRole('button', { name: /^Line/ }).click()
  await inspector(page).getByLabel('Size', { exact: true }).fill('90')
  await page.keyboard.press('Tab')
  await lanes.getByRole('button', { name: 'Headline', exact: true }).click({ modifiers: ['Shift'] })
  await expect(inspector(page).getByText('A change here reaches all 2 of them. Mixed now: size.')).toBeVisible()
  await inspector(page).getByLabel('Size', { exact: true }).fill('55')
  await page.keyboard.press('Tab')
  await expect(inspector(page).getByText('A change here reaches all 2 of them. They are alike.')).toBeVisible()
  await lanes.getByRole('button', { name: /^Line/ }).click()
  await expect(inspector(page).getByLabel('Size', { exact: true })).toHaveValue('55')
})

test('the demo’s whole set is in a season’s colours, and back in its own', async ({ page, demo, signIn }) => {
  test.slow()
  await signIn()
  await page.goto(box(demo))
  const kinds = page.getByRole('navigation', { name: 'Kinds of event' }).getByRole('button')
  await expect(kinds.first()).toBeVisible()
  // The last adds another.
  const count = (await kinds.count()) - 1
  expect(count).toBeGreaterThan(8)
  /** The second lines of all alerts are drawn in one of these colours. */
  const allIn = async (colours: readonly string[]) => {
    for (let at = 0; at < count; at++) {
      await kinds.nth(at).click()
      await expect.poll(async () => colours.includes(await colourOf(page, 'second').catch(() => ''))).toBe(true)
    }
  }
  const drawn = ({ palette }: { palette: Palette }) =>
    [palette.body, palette.accent].map(
      (hex) =>
        `rgb(${rgbOfHex(hex)
          .map((part) => Math.round(part * 255))
          .join(', ')})`,
    )
  await openLook(page)
  await allIn(drawn(lanternLook))
  await inspector(page)
    .getByRole('button', { name: /^Which look/ })
    .click()
  await page.getByRole('option', { name: /^Frosted window/ }).click()
  await setField(page, 'All colours from one', '#c77fe8')
  await allIn(drawn({ palette: paletteFrom('#C77FE8') }))
  await setField(page, 'Show the day', '2026-06-01')
  await page.keyboard.press('Tab')
  await allIn(drawn(lanternLook))
  await expect(
    inspector(page).getByText(/^No season on \d+ days of this year: the everyday look shows, 7 January to 30 November/),
  ).toBeVisible()
})
