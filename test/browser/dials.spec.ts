import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { starterAlert } from '../../core/composition/starter.ts'
import { boxOnAir, shortAlert } from '../arrange/boxOnAir.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import { part, putOnAir, saved } from '../arrange/room.ts'
import { TestServer } from '../arrange/server.ts'

test.use({ serverFor: 'dials' })

const canvas = { widthPx: 1280, heightPx: 720, framesPerSecond: 60 }

const inspector = (page: Page) => page.getByRole('complementary', { name: 'Inspector' })
const openDials = (page: Page) => page.getByRole('button', { name: 'Packs and dials' }).click()
const inkOf = (page: Page, id: string) =>
  part(page, id).evaluate(
    (element) =>
      getComputedStyle(
        [...element.querySelectorAll('*')].find((each) => each.textContent?.trim() && each.children.length === 0) ??
          element,
      ).color,
  )
const heightOf = async (page: Page, id: string) => (await part(page, id).boundingBox())?.height ?? 0
/** Downloads the box that is open as a pack. */
async function downloadPack(page: Page): Promise<Buffer> {
  await inspector(page).getByRole('button', { name: 'Save as a pack…' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /^Download/ }).click(),
  ])
  const bytes = readFileSync(await download.path())
  await page.getByRole('button', { name: 'Close' }).first().click()
  return bytes
}

test('a designer makes five properties dials and hands the box out; a broadcaster takes it, turns them, puts it on air; a newer release keeps what is theirs', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.setTimeout(240_000)
  await signIn('editor')
  const { id } = await boxOnAir(
    page,
    demo,
    'Bright counter',
    (['follow', 'raid'] as const).map((kind) => starterAlert(kind, canvas, { pictureId: null, soundId: null })),
  )
  await page.goto(`${demo.url}/boxes/${id}`)
  await openDials(page)
  await inspector(page).getByRole('button', { name: 'Make a property a dial' }).click()
  await page
    .getByRole('listitem')
    .getByRole('button', { name: 'Headline' })
    .or(page.getByRole('button', { name: 'Headline', exact: true }))
    .first()
    .click()
  for (const property of ['Size', 'Variables in', 'Words'])
    await inspector(page)
      .getByRole('button', { name: `Make ${property} a dial` })
      .click()
  await expect(
    inspector(page).getByRole('button', { name: 'Size is turned by the dial “Headline: size”' }),
  ).toBeVisible()
  await page.getByRole('button', { name: /^Look of this box/ }).click()
  for (const property of ['All sounds', 'typeface of headlines'])
    await inspector(page)
      .getByRole('button', { name: `Make ${property} a dial` })
      .click()
  await inspector(page).getByRole('button', { name: 'Done' }).first().click()
  const design = inspector(page).getByRole('region', { name: 'Dials of your own' })
  await expect(design.getByText('5 dials for whoever takes this box as a pack.')).toBeVisible()
  // The size is turned in every alert; where it was in one alone, one press widens it.
  await design.getByRole('button', { name: /^Headline: size/ }).click()
  await expect(design.getByText('Turns 1 place:')).toBeVisible()
  await design.getByRole('button', { name: 'in all alerts' }).click()
  await expect(design.getByText('Turns 2 places:')).toBeVisible()
  // What is drawn anew in the very moment between typing and leaving a field takes what was typed.
  await expect(saved(page)).toBeVisible()
  await design.getByLabel('Name of the dial Headline: size').fill('How large')
  await page.keyboard.press('Tab')
  await design.getByLabel('Group of How large').fill('Words')
  await page.keyboard.press('Tab')
  // Tried here: what it turns follows.
  const before = await heightOf(page, 'headline')
  await design.getByLabel('How large', { exact: true }).fill('60')
  await expect.poll(() => heightOf(page, 'headline')).toBeLessThan(before)
  await expectNoFaults(page, artwork)
  await inspector(page).getByRole('button', { name: 'Save as a pack…' }).click()
  await page.getByLabel('Release of the pack').fill('one')
  await page.keyboard.press('Tab')
  await expect(page.getByText('a release is written as 1.0.0')).toBeVisible()
  await page.getByLabel('Release of the pack').fill('1.0.0')
  await page.getByLabel('Licence of the pack').fill('CC0-1.0')
  await page.keyboard.press('Tab')
  await expect(page.getByText('5 dials, each tried at its ends')).toBeVisible()
  await expect(page.getByText(/Follow, Everyday/)).toBeVisible()
  await expectNoFaults(page, artwork)
  await page.getByRole('button', { name: 'Close' }).first().click()
  const first = await downloadPack(page)

  // A second release: another second line, and the headline of raids where the broadcaster will have changed it too.
  await page.keyboard.press('Escape')
  await inspector(page).getByRole('button', { name: 'Save as a pack…' }).click()
  await page.getByLabel('Release of the pack').fill('1.1.0')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Close' }).first().click()
  await inspector(page).getByRole('button', { name: 'Done' }).click()
  await page.getByRole('button', { name: 'Raid', exact: true }).click()
  await page.getByRole('button', { name: 'Second line', exact: true }).click()
  await inspector(page).getByLabel('Size', { exact: true }).fill('48')
  await page.keyboard.press('Tab')
  await inspector(page).getByLabel('Widest').fill('900')
  await page.keyboard.press('Tab')
  await openDials(page)
  const secondRelease = await downloadPack(page)

  const fresh = await TestServer.start()
  const guest = await (await context.browser()!.newContext()).newPage()
  try {
    const account = fresh.demo.accounts.find(({ role }) => role === 'owner')
    await guest.request.post(`${fresh.url}/api/session`, {
      data: { email: account?.email, password: account?.password },
    })
    await guest.goto(`${fresh.url}/boxes/new`)
    const bring = async (bytes: Buffer) => {
      const [chooser] = await Promise.all([
        guest.waitForEvent('filechooser'),
        guest.getByRole('button', { name: 'Choose a pack' }).click(),
      ])
      await chooser.setFiles({ name: 'bright-counter.pack.zip', mimeType: 'application/zip', buffer: bytes })
      await expect(guest.getByText('“Bright counter” is on the shelf.')).toBeVisible({ timeout: 30_000 })
    }
    await bring(first)
    await guest.getByRole('button', { name: 'Make the box' }).click()
    await expect(saved(guest)).toBeVisible()
    const made = guest.url()
    // As it came it goes out again, to the byte.
    const boxId = made.split('/').at(-1)
    expect((await (await guest.request.get(`${fresh.url}/api/boxes/${boxId}/pack`)).body()).equals(first)).toBe(true)

    await openDials(guest)
    const taken = inspector(guest).getByRole('region', { name: 'Pack Bright counter' })
    await expect(taken.getByText('release 1.0.0 by')).toBeVisible()
    const large = await heightOf(guest, 'headline')
    await taken.getByLabel('How large').fill('140')
    await expect.poll(() => heightOf(guest, 'headline')).toBeGreaterThan(large * 1.5)
    await taken.getByLabel('Variables in').fill('#7fc8e8')
    await expect.poll(() => inkOf(guest, 'headline')).toBe('rgb(127, 200, 232)')
    await taken.getByLabel('Headline: words').fill('{name} is in')
    await expect(part(guest, 'headline').getByText('is in')).toBeVisible()
    // One alert may stand otherwise.
    await guest.getByRole('button', { name: 'Raid', exact: true }).click()
    await taken.getByRole('radio', { name: 'Raid only' }).click()
    await taken.getByLabel('How large').fill('70')
    await expect.poll(() => heightOf(guest, 'headline')).toBeLessThan(large * 1.5)
    await expect(taken.getByText('1 dial more turns what all alerts share.')).toBeVisible()
    await taken.getByRole('radio', { name: 'whole pack' }).click()
    await expect(taken.getByText('Otherwise for Raid.')).toBeVisible()
    await expectNoFaults(guest, artwork)

    // What is changed by hand is said, and stays where a dial comes by.
    await inspector(guest).getByRole('button', { name: 'Done' }).click()
    await guest.getByRole('button', { name: 'Second line', exact: true }).click()
    await inspector(guest).getByLabel('Size', { exact: true }).fill('90')
    await guest.keyboard.press('Tab')
    await guest.getByRole('button', { name: 'Follow', exact: true }).click()
    await guest.getByRole('button', { name: 'Headline', exact: true }).click()
    await inspector(guest).getByLabel('Size', { exact: true }).fill('100')
    await guest.keyboard.press('Tab')
    await openDials(guest)
    await expect(taken.getByText('1 value that you set by hand stays.')).toBeVisible()
    await putOnAir(guest, 1)

    const { url } = (await (await guest.request.get(`${fresh.url}/api/boxes/${boxId}/address`)).json()) as {
      url: string
    }
    const source = await guest.context().newPage()
    await source.goto(url)
    await untilState(source, 'waiting')
    expect(
      (await guest.request.post(`${fresh.url}/api/boxes/${boxId}/tests`, { data: { kind: 'follow' } })).status(),
    ).toBe(202)
    await expect(source.getByText('is in')).toBeVisible({ timeout: 20_000 })

    // The newer release: what only the designer changed comes, what only the broadcaster did stays, of both it is
    // asked.
    await guest.goto(`${fresh.url}/boxes/new`)
    await bring(secondRelease)
    await guest.goto(made)
    await openDials(guest)
    await taken.getByRole('button', { name: 'Look at it' }).click()
    const dialog = guest.getByRole('dialog')
    await expect(dialog.getByText('Changed by you and by the designer: 1 place')).toBeVisible()
    await expect(dialog.getByText('Raid › Second line › size').first()).toBeVisible()
    await expect(dialog.getByText('yours: 90')).toBeVisible()
    await expectNoFaults(guest, artwork)
    await dialog.getByRole('button', { name: 'Take release 1.1.0' }).click()
    await expect(taken.getByText('release 1.1.0 by')).toBeVisible()
    await expect(saved(guest)).toBeVisible()
    const { document } = (await (await guest.request.get(`${fresh.url}/api/boxes/${boxId}`)).json()) as {
      document: { alerts: { id: string; variations: { composition: { parts: Record<string, unknown>[] } }[] }[] }
    }
    const partsOf = (alertId: string) =>
      document.alerts.find((alert) => alert.id === alertId)?.variations[0]?.composition.parts
    expect(partsOf('raid')?.find((each) => each.id === 'second')).toMatchObject({ sizePx: 90, maxWidthPx: 900 })
    expect(partsOf('raid')?.find((each) => each.id === 'headline')).toMatchObject({ sizePx: 70 })
    expect(partsOf('follow')?.find((each) => each.id === 'headline')).toMatchObject({
      sizePx: 100,
      template: '{name} is in',
    })

    // Removing says what goes, and is undone.
    await taken.getByRole('button', { name: 'Remove this pack…' }).click()
    await expect(dialog.getByText('Goes: 2 alerts and 5 dials.')).toBeVisible()
    await dialog.getByRole('button', { name: 'Remove 2 alerts' }).click()
    await expect(guest.getByRole('button', { name: 'Raid', exact: true })).toHaveCount(0)
    // By the room's own button: notices of earlier steps may still stand there with theirs.
    await guest.getByRole('button', { name: 'Undo remove a pack' }).click()
    await expect(guest.getByRole('button', { name: 'Raid', exact: true })).toBeVisible()
  } finally {
    await guest.context().close()
    await fresh.remove()
  }
})

test('alerts of a set are taken into a box that has its own: beside them, in its own look or in the set’s', async ({
  page,
  demo,
  signIn,
}) => {
  test.slow()
  await signIn('editor')
  const { id } = await boxOnAir(page, demo, 'Mixed counter', [shortAlert('follow')])
  await page.goto(`${demo.url}/boxes/${id}`)
  await openDials(page)
  await inspector(page).getByRole('button', { name: 'Take a pack…' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('radio', { name: /Sixteen lamps/ }).click()
  await expect(dialog.getByText('Follow, you have one')).toBeVisible()
  await dialog.getByRole('button', { name: 'none' }).click()
  await dialog.getByRole('checkbox', { name: 'Raid', exact: true }).click()
  await dialog.getByRole('checkbox', { name: 'Follow', exact: true }).click()
  await expect(dialog.getByText('Follow, in the place of yours')).toBeVisible()
  await expectNoFaults(page, artwork)
  await dialog.getByRole('button', { name: 'Take 2 alerts' }).click()
  await expect(page.getByRole('button', { name: 'Raid', exact: true })).toBeVisible()
  const taken = inspector(page).getByRole('region', { name: 'Pack Sixteen lamps' })
  await expect(taken.getByText('in the look of this box')).toBeVisible()
  // Dials that turn the set's look are left out; what new followers read is there.
  await expect(taken.getByLabel('Main colour, names')).toHaveCount(0)
  await taken.getByLabel('What new followers read').fill('presses start')
  await expect(part(page, 'second').getByText('presses start')).toBeVisible({ timeout: 10_000 })
  await page.getByRole('button', { name: /^Undo/ }).first().click()
  await page.getByRole('button', { name: /^Undo/ }).first().click()
  await expect(page.getByRole('button', { name: 'Raid', exact: true })).toHaveCount(0)
})
