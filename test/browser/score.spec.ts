import type { Page } from '@playwright/test'
import { expect, test } from '../arrange/fixtures.ts'
import { box, command, lane, onAnEverydayDay, part, saved, setWords, showNamed } from '../arrange/room.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'score' })

const clip = (page: Page, id: string) => page.locator(`[data-clip=${id}]`)
const timesOf = async (page: Page, name: string) =>
  (await lane(page, name).getAttribute('aria-description'))
    ?.match(/^([\d.]+) to ([\d.]+)/)
    ?.slice(1)
    .map(Number) ?? []

async function openAlert(page: Page, demo: DemoFile, kind: string, index = 0): Promise<void> {
  await page.goto(box(demo, index))
  await page.getByRole('button', { name: kind, exact: true }).click()
  await expect(part(page, 'headline')).toBeAttached()
}
async function dragBy(page: Page, from: { x: number; y: number }, dx: number, dy: number): Promise<void> {
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(from.x + dx / 2, from.y + dy / 2, { steps: 4 })
  await page.mouse.move(from.x + dx, from.y + dy, { steps: 4 })
  await page.mouse.up()
}
const centreOf = async (page: Page, selector: ReturnType<Page['locator']>) => {
  const rect = await selector.boundingBox()
  return { x: (rect?.x ?? 0) + (rect?.width ?? 0) / 2, y: (rect?.y ?? 0) + (rect?.height ?? 0) / 2 }
}

test('build an alert from nothing with keys alone: parts, words, a layout, particles', async ({
  page,
  demo,
  signIn,
}) => {
  await onAnEverydayDay(page)
  await signIn('editor')
  await openAlert(page, demo, 'Applause')
  await page.getByRole('application').focus()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.press('Delete')
  await expect(page.getByText('Nothing on the stage yet')).toBeVisible()

  await command(page, 'Add a picture')
  await lane(page, 'Picture').focus()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Picture: no picture' }).focus()
  await page.keyboard.press('Enter')
  // Typing searches the open list, although single letters mean something elsewhere in the room.
  await page.keyboard.type('A gold')
  await page.keyboard.press('Enter')
  await expect(page.getByText('plays from the start')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Picture: A golden crust' })).toBeVisible()
  await command(page, 'Add a line of text')
  await lane(page, 'Line').focus()
  await page.keyboard.press('Enter')
  await page.getByLabel('Words of Line').focus()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.type('{poi')
  await expect(page.getByRole('option', { name: /\{points\}/ }).first()).toBeVisible()
  // A completion that has only just appeared is not taken by a key that was meant for the text.
  await page.waitForTimeout(200)
  await page.keyboard.press('Enter')
  await page.keyboard.type(' points from {na')
  await expect(page.getByRole('option', { name: /\{name\}/ }).first()).toBeVisible()
  await page.waitForTimeout(200)
  await page.keyboard.press('Enter')
  await expect(part(page, 'line')).toHaveText('500 points from pip_rye')
  await page.getByRole('application').focus()
  await command(page, 'Add particles: Rosette')
  await command(page, 'Layout: picture left')
  await lane(page, 'Picture').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Position from the left')).not.toHaveValue('960')
  const [lineStart] = await timesOf(page, 'Line')
  expect(lineStart).toBeCloseTo(0.9, 1)
  await page.getByRole('application').focus()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(saved(page)).toBeVisible()
})

test('drag a clip’s edge and its entrance; tie an edge to another’s; a knot is refused in words', async ({
  page,
  demo,
  signIn,
}) => {
  await onAnEverydayDay(page)
  await signIn('editor')
  await openAlert(page, demo, 'Follow')
  await lane(page, 'Second line').click()
  const [, endBefore = 0] = await timesOf(page, 'Second line')
  await dragBy(page, await centreOf(page, clip(page, 'second').locator('[data-handle=end]')), -200, 0)
  const [start, end = 0] = await timesOf(page, 'Second line')
  expect(end).toBeLessThan(endBefore - 0.8)
  expect(start).toBeCloseTo(1.15, 1)

  await dragBy(page, await centreOf(page, clip(page, 'second').locator('[data-handle=entrance]')), 60, 0)
  await expect.poll(async () => Number(await page.getByLabel('Enters over').inputValue())).toBeGreaterThan(0.6)

  const knob = await centreOf(page, clip(page, 'second').locator('[data-tie=start]'))
  const picture = await clip(page, 'picture').boundingBox()
  await dragBy(page, knob, (picture?.x ?? 0) - knob.x + 1, (picture?.y ?? 0) + 10 - knob.y)
  await expect.poll(async () => (await timesOf(page, 'Second line'))[0]).toBe(0)
  await expect(page.getByRole('button', { name: /^Starts: with Picture/ })).toBeVisible()

  await lane(page, 'Picture').click()
  const pictureKnob = await centreOf(page, clip(page, 'picture').locator('[data-tie=start]'))
  const second = await clip(page, 'second').boundingBox()
  await dragBy(
    page,
    pictureKnob,
    (second?.x ?? 0) + (second?.width ?? 0) - pictureKnob.x,
    (second?.y ?? 0) + 10 - pictureKnob.y,
  )
  await expect(page.getByText(/^These parts wait for each other/)).toBeVisible()
  expect((await timesOf(page, 'Picture'))[0]).toBe(0)
  await expect(saved(page)).toBeVisible()
})

test('what was done can be undone after the page was loaded again', async ({ page, demo, signIn }) => {
  await signIn('editor')
  await openAlert(page, demo, 'Raid')
  await lane(page, 'Headline').click()
  await setWords(page, 'Headline', 'before the reload')
  await page.getByRole('button', { name: 'Lock' }).click()
  await expect(saved(page)).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Raid', exact: true }).click()
  await expect(part(page, 'headline')).toHaveText('before the reload')
  await page.getByRole('application').focus()
  await page.keyboard.press('ControlOrMeta+z')
  await page.keyboard.press('ControlOrMeta+z')
  await expect(part(page, 'headline')).toHaveText('A queue at the door')
  await expect(saved(page)).toBeVisible()
})

test('select several, move them together, group, pull a corner, turn, lock', async ({ page, demo, signIn }) => {
  await signIn('editor')
  await openAlert(page, demo, 'Gifts')
  await lane(page, 'Headline').click()
  await lane(page, 'Second line').click({ modifiers: ['Shift'] })
  await expect(page.getByText('and 1 more')).toBeVisible()
  const before = {
    headline: await centreOf(page, part(page, 'headline')),
    second: await centreOf(page, part(page, 'second')),
  }
  await page.keyboard.down('Alt')
  await dragBy(page, before.headline, 40, -30)
  await page.keyboard.up('Alt')
  for (const id of ['headline', 'second'] as const) {
    const after = await centreOf(page, part(page, id))
    expect(after.x - before[id].x).toBeCloseTo(40, -0.5)
    expect(after.y - before[id].y).toBeCloseTo(-30, -0.5)
  }
  await page.keyboard.press('ControlOrMeta+g')
  await lane(page, 'Picture').click()
  await lane(page, 'Headline').click()
  await expect(lane(page, 'Second line')).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('ControlOrMeta+Shift+g')

  await lane(page, 'Picture').click()
  const width = Number(await page.getByLabel('Width', { exact: true }).inputValue())
  await dragBy(page, await centreOf(page, page.locator('[data-grip]').nth(4)), 50, 50)
  await expect
    .poll(async () => Number(await page.getByLabel('Width', { exact: true }).inputValue()))
    .toBeGreaterThan(width + 60)
  expect(await page.getByLabel('Width', { exact: true }).inputValue()).toBe(
    await page.getByLabel('Height', { exact: true }).inputValue(),
  )
  const turn = await centreOf(page, page.locator('[data-turn]'))
  await dragBy(page, turn, 300, 180)
  await expect
    .poll(async () => Number(await page.getByLabel('Turned', { exact: true }).inputValue()))
    .toBeGreaterThan(60)
  await page.getByRole('button', { name: 'Lock', exact: true }).click()
  await expect(page.locator('[data-grip]')).toHaveCount(0)
  await expect(saved(page)).toBeVisible()
})

test('a remark says what is wrong where it concerns, its advice mends it, and it can be switched off', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await openAlert(page, demo, 'Tip')
  await showNamed(page, 'long')
  await lane(page, 'Headline').click()
  await expect(page.getByText('“Headline” does not fit even at its smallest size')).toBeVisible()
  await page.getByRole('button', { name: 'Break it into lines' }).click()
  await expect(page.getByText('“Headline” does not fit even at its smallest size')).toHaveCount(0)
  await expect(part(page, 'headline').locator('div')).toHaveCount(2)

  await lane(page, 'Viewer’s message').click()
  const hurried = page.getByText(/“Viewer’s message” stays/)
  await expect(hurried).toBeVisible()
  await page.getByRole('button', { name: 'It is meant so' }).click()
  await expect(hurried).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo switch a remark off' }).click()
  await page.getByRole('button', { name: 'Stay as long as reading takes' }).click()
  await expect(page.getByText(/now 15.00 s/)).toBeVisible()
  await showNamed(page, 'everyday')
  await expect(page.getByText(/now 8.00 s/)).toBeVisible()
  await expect(saved(page)).toBeVisible()
})

test('draw a zone for the camera: it is named in a remark, and layouts keep clear of it', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await openAlert(page, demo, 'Follow', 1)
  await page.getByRole('button', { name: /^Zones/ }).click()
  const stage = await page.getByRole('application').boundingBox()
  const [x, y, w, h] = [stage?.x ?? 0, stage?.y ?? 0, stage?.width ?? 0, stage?.height ?? 0]
  await dragBy(page, { x: x + 4, y: y + h * 0.3 }, w - 8, h * 0.3)
  await page.getByLabel('Name of the zone').fill('Bench cam')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await lane(page, 'Picture').click()
  await expect(page.getByText('“Picture” stands over “Bench cam”.')).toBeVisible()
  await page.getByRole('button', { name: 'Arrange what is there' }).click()
  await page.getByRole('menuitem', { name: 'picture above', exact: true }).click()
  await expect(page.getByText('“Picture” stands over “Bench cam”.')).toHaveCount(0)
  await expect(saved(page)).toBeVisible()
})

test('copy a style and a motion from one alert to another', async ({ page, demo, signIn }) => {
  await signIn('editor')
  await openAlert(page, demo, 'Resub')
  await lane(page, 'Headline').click()
  await page.getByLabel('Size', { exact: true }).fill('90')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Copy', exact: true }).click()
  await page.getByRole('button', { name: 'Goal reached', exact: true }).click()
  await lane(page, 'Second line').click()
  await page.getByRole('button', { name: 'Paste the copied style' }).click()
  await expect(page.getByLabel('Size', { exact: true })).toHaveValue('90')
  await page.getByRole('button', { name: 'Paste the copied motion' }).click()
  await expect(page.getByRole('button', { name: /^Letters ripple all along/ })).toBeVisible()
  await expect(part(page, 'second')).toContainText('new oven fund')
  await page.getByRole('application').focus()
  await page.keyboard.press('ControlOrMeta+v')
  await expect(lane(page, 'Headline')).toHaveCount(2)
  await expect(saved(page)).toBeVisible()
})

test('keyframes move a part between two moments; the loop plays a stretch again and again', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await openAlert(page, demo, 'Redemption')
  await lane(page, 'Headline').click()
  const playhead = page.getByRole('slider', { name: 'Playhead' })
  await playhead.focus()
  for (let step = 0; step < 2; step++) await page.keyboard.press('PageUp')
  await page.getByRole('button', { name: /^Keyframes/ }).click()
  await page.getByRole('button', { name: 'Keyframe of Right by at the playhead' }).click()
  const before = await centreOf(page, part(page, 'headline'))
  await playhead.focus()
  for (let step = 0; step < 2; step++) await page.keyboard.press('PageUp')
  await page.getByLabel('Right by', { exact: true }).fill('300')
  await page.keyboard.press('Tab')
  await expect.poll(async () => (await centreOf(page, part(page, 'headline'))).x - before.x).toBeGreaterThan(80)
  await playhead.focus()
  await page.keyboard.press('PageDown')
  const between = (await centreOf(page, part(page, 'headline'))).x - before.x
  expect(between).toBeGreaterThan(20)
  expect(between).toBeLessThan(90)

  await page.getByRole('application').focus()
  await page.keyboard.press('l')
  await expect(page.getByText('plays the loop')).toBeVisible()
  await page.keyboard.press('l')
  await expect(page.getByText('plays from the start')).toBeVisible()
  await expect(saved(page)).toBeVisible()
})

test('the person’s own scene lies under the stage and stays in this browser', async ({ page, demo, signIn }) => {
  await signIn('editor')
  await openAlert(page, demo, 'Follow')
  const picture = (await (await page.request.get(`${demo.url}/api/channel/media`)).json()) as {
    media: { url: string; mime: string }[]
  }
  const file = picture.media.find((each) => each.mime === 'image/png')
  const bytes = await (await page.request.get(`${demo.url}${file?.url}`)).body()
  await page
    .getByLabel('Picture or clip of your scene')
    .setInputFiles({ name: 'scene.png', mimeType: 'image/png', buffer: bytes })
  const scene = page.getByRole('application').locator('img[src^="blob:"]')
  await expect(scene).toBeVisible()
  await page.reload()
  await expect(scene).toBeVisible()
  await page.getByRole('button', { name: 'Your own scene under the stage' }).click()
  await page.getByRole('menuitem', { name: 'Take it away' }).click()
  await expect(scene).toHaveCount(0)
})
