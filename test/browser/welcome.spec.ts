import { expect, testWithOwnServer as test, untilState } from '../arrange/fixtures.ts'

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
