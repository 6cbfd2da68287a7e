import type { Page } from '@playwright/test'
import { boxOnAir, shortAlert } from '../arrange/boxOnAir.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'
import { box, lane, part, saved } from '../arrange/room.ts'

test.use({ serverFor: 'panes', permissions: ['clipboard-read', 'clipboard-write'] })

const stage = (page: Page) => page.getByRole('application')
const cases = (page: Page) => page.getByRole('complementary', { name: 'Inspector' }).getByRole('listitem')

test('panes are dragged and moved by keys, and are as they were left when the room is opened again', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await page.goto(box(demo))
  await expect(part(page, 'headline')).toBeVisible()
  const inspector = page.getByRole('complementary', { name: 'Inspector' })
  const score = page.getByRole('region', { name: 'Score' })
  const widthOf = async () => Math.round((await inspector.boundingBox())?.width ?? 0)
  const heightOf = async () => Math.round((await score.boundingBox())?.height ?? 0)
  const usual = await widthOf()
  const edge = page.getByRole('separator', { name: 'Width of the inspector' })
  const at = await edge.boundingBox()
  await page.mouse.move((at?.x ?? 0) + 4, (at?.y ?? 0) + 80)
  await page.mouse.down()
  await page.mouse.move((at?.x ?? 0) - 76, (at?.y ?? 0) + 90, { steps: 4 })
  await page.mouse.up()
  expect(await widthOf()).toBe(usual + 80)
  // The stage is drawn anew in what it has left.
  await expect(part(page, 'headline')).toBeVisible()
  await edge.focus()
  await page.keyboard.press('ArrowRight')
  expect(await widthOf()).toBe(usual + 64)
  await expect(edge).toHaveAttribute('aria-valuenow', String(usual + 64))

  const scoreEdge = page.getByRole('separator', { name: 'Height of the score' })
  await scoreEdge.focus()
  const tall = await heightOf()
  await page.keyboard.press('ArrowUp')
  await expect.poll(heightOf).toBe(tall + 16)
  await page.keyboard.press('Home')
  await expect.poll(heightOf).toBeLessThan(tall)
  const small = await heightOf()
  await expectNoFaults(page, artwork)

  await page.reload()
  await expect(part(page, 'headline')).toBeVisible()
  expect([await widthOf(), await heightOf()]).toEqual([usual + 64, small])
  await page.getByRole('separator', { name: 'Width of the inspector' }).dblclick()
  await page.getByRole('separator', { name: 'Height of the score' }).focus()
  await page.keyboard.press('Enter')
  expect([await widthOf(), await heightOf()]).toEqual([usual, tall])
})

test('a case goes to another box in another tab as text, parts are cut and pasted', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn('editor')
  const alert = shortAlert('raid')
  for (const variation of alert.variations) variation.name = 'Small raid'
  const { id } = await boxOnAir(page, demo, 'Copied', [alert])
  await page.goto(`${demo.url}/boxes/${id}`)
  await expect(part(page, 'headline')).toBeVisible()
  await stage(page).focus()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('toolbar', { name: 'Selected parts' })).toHaveCount(0)
  await page.keyboard.press('ControlOrMeta+c')
  await expect(page.getByText('The case “Small raid” is copied.')).toBeVisible()
  const text = await page.evaluate(() => navigator.clipboard.readText())
  expect(JSON.parse(text)).toMatchObject({ thundercrest: 'clipboard', what: 'case' })

  const other = await context.newPage()
  await other.goto(`${box(demo)}?kind=follow`)
  await expect(part(other, 'headline')).toBeVisible()
  await stage(other).focus()
  await other.keyboard.press('ControlOrMeta+v')
  await expect(other.getByText('“Small raid” is pasted, and asked first.')).toBeVisible()
  await expect(saved(other)).toBeVisible()
  await other.getByRole('button', { name: /one of \d+ cases/ }).click()
  await expect(cases(other).first().getByRole('textbox', { name: 'Name of case 1' })).toHaveValue('Small raid')
  const count = await cases(other).count()
  await other.getByRole('button', { name: 'Undo' }).first().click()
  await expect(cases(other)).toHaveCount(count - 1)

  // Cut here, pasted there.
  await page.bringToFront()
  await lane(page, 'Headline').click()
  await stage(page).focus()
  await page.keyboard.press('ControlOrMeta+x')
  await expect(lane(page, 'Headline')).toHaveCount(0)
  await page.keyboard.press('ControlOrMeta+v')
  await expect(lane(page, 'Headline')).toHaveCount(1)
  await expect(part(page, 'headline')).toBeVisible()

  // What is none of ours changes nothing, and is said.
  await page.evaluate(() => navigator.clipboard.writeText('something else'))
  await page.keyboard.press('ControlOrMeta+v')
  await expect(page.getByText('The clipboard holds no part and no case.')).toBeVisible()
  await expect(lane(page, 'Headline')).toHaveCount(1)
  await other.close()
})
