import type { Locator } from '@playwright/test'
import { expect, testWithOwnServer as test, untilState } from '../arrange/fixtures.ts'
import { part, saved } from '../arrange/room.ts'

test.use({ startEnv: {} })

test('an empty server: make the account, the first box, put it on air, see a test arrive', async ({
  page,
  server,
  context,
}) => {
  const code = /with the code (\w+)/.exec(server.printed)?.[1] ?? ''
  await page.goto(server.url)
  await expect(page.getByRole('heading', { name: 'Welcome' })).toBeVisible()
  const fill = async (typedCode: string) => {
    await page.getByLabel('Code').fill(typedCode)
    await page.getByLabel('Your channel').fill('Lantern Loaf')
    await page.getByLabel('Your name').fill('Odalys Fenn')
    await page.getByLabel('E-mail address').fill('odalys@lantern-loaf.example')
    await page.getByLabel('Password').fill('lantern-loaf')
    await page.getByRole('button', { name: 'Make the account' }).click()
  }
  await fill('guessed')
  await expect(page.getByText('This is not the code that the server printed')).toBeVisible()
  await fill(code)
  // The sets themselves are what there is to see, each the way to a box of it.
  await expect(page.getByRole('link', { name: /^Begin with / })).toHaveCount(8)
  await expect(page.getByRole('navigation', { name: 'Stations' })).toContainText('none yet')
  await page.getByRole('link', { name: 'Begin with Jelly parade' }).click()
  await expect(page.getByRole('radio', { name: /Jelly parade/ })).toBeChecked()
  await page.getByRole('radio', { name: /^Nothing/ }).click()
  await page.getByLabel('Name').fill('Night counter')
  await page.getByRole('radio', { name: /Tall/ }).click()
  await page.getByRole('button', { name: 'Make the box' }).click()

  await expect(page.getByText('Canvas 1080 × 1920, 60 fps')).toBeVisible()
  await expect(page.getByText('Put the box on air first')).toBeVisible()
  await page.getByRole('button', { name: 'Put on air · 1' }).click()
  await page.getByRole('button', { name: 'Put 1 change on air' }).click()
  await expect(page.getByText('On air: version 1')).toBeVisible()

  await page.getByRole('button', { name: 'Source', exact: true }).click()
  await page.getByRole('button', { name: 'Show', exact: true }).click()
  const address = await page.locator('output[aria-label="Source address"]').textContent()
  const source = await context.newPage()
  await source.goto(address ?? '')
  await untilState(source, 'waiting')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Send a test' }).click()
  await expect(source.getByText('is now following')).toBeVisible({ timeout: 10_000 })

  const second = await page.request.post(`${server.url}/api/welcome`, {
    data: { code, channelName: 'x', personName: 'y', email: 'z@lantern-loaf.example', password: 'another-one' },
  })
  expect(second.status()).toBe(409)
})

test('a first-timer’s five tasks by keyboard alone: link, begin with a set, words and a colour, put on air, see a test', async ({
  page,
  server,
  context,
}) => {
  test.slow()
  const code = /with the code (\w+)/.exec(server.printed)?.[1] ?? ''
  const person = { channelName: 'Lantern Loaf', personName: 'Odalys Fenn', email: 'odalys@lantern-loaf.example' }
  await page.request.post(`${server.url}/api/welcome`, { data: { code, password: 'lantern-loaf', ...person } })
  /** Goes on with Tab until something has the focus. */
  const tabTo = async (wanted: Locator) => {
    await expect(wanted).toBeVisible()
    const isThere = () => wanted.evaluate((element) => element === document.activeElement)
    for (let steps = 0; steps < 150 && !(await isThere()); steps++) await page.keyboard.press('Tab')
    await expect(wanted).toBeFocused()
  }
  const press = async (wanted: Locator) => {
    await tabTo(wanted)
    await page.keyboard.press('Enter')
  }
  const button = (name: string | RegExp) => page.getByRole('button', { name })
  const station = (name: RegExp) => page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name })

  await page.goto(server.url)
  await press(station(/^Feeds/))
  await press(button('Link your first platform'))
  // Nothing of the stand-ins answers on a server of one's own, until its owner turns them on.
  expect((await page.request.get(`${server.url}/stand-ins/alder/chat`)).status()).toBe(404)
  await press(button('Switch them on'))
  await expect(button('Switch them on')).toHaveCount(0)
  expect((await page.request.get(`${server.url}/stand-ins/alder/chat`)).status()).toBe(200)
  await press(button(/^Go to Alder/))
  await press(button('Allow'))
  await expect(page.getByText('Alder is linked.')).toBeVisible()

  await press(station(/^Boxes/))
  await press(page.getByRole('link', { name: 'Begin with Jelly parade' }))
  await expect(page.getByRole('radio', { name: /Jelly parade/ })).toBeChecked()
  await press(button('Make the box'))

  const words = page.getByLabel('Words of Headline')
  await expect(words).toBeVisible()
  await tabTo(words)
  await page.keyboard.press('ControlOrMeta+A')
  await page.keyboard.insertText('hello {name}')
  await press(button('Variables in: glow of the look'))
  await expect(button('Variables in: glow of the look')).toHaveAttribute('aria-pressed', 'true')
  await expect(part(page, 'headline')).toHaveText('hello pip_rye')

  await expect(saved(page)).toBeVisible()
  await press(button(/^Put on air/))
  await press(page.getByRole('dialog').getByRole('button', { name: /on air$/ }))
  await expect(page.getByText('On air: version 1')).toBeVisible()
  const { boxes } = (await (await page.request.get(`${server.url}/api/boxes`)).json()) as { boxes: { id: string }[] }
  const address = await page.request.get(`${server.url}/api/boxes/${boxes[0]?.id}/address`)
  const source = await context.newPage()
  await source.goto(((await address.json()) as { url: string }).url)
  await untilState(source, 'waiting')
  await press(button('Send a test'))
  await expect(source.getByText('hello')).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText(/(Showing on|Shown by) 1 source/)).toBeVisible()
})
