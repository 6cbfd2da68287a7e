import type { PackShelfView } from '../../contract/packs.ts'
import { expectNothingSideways } from '../arrange/faults.ts'
import { dropFiles, expect, test } from '../arrange/fixtures.ts'
import { wav } from '../media/wav.ts'
import { box, onAnEverydayDay, part, saved, setWords } from '../arrange/room.ts'

test.use({ serverFor: 'room' })

test('tune an alert with the keyboard alone: words, size, delay, volume; take it back and make it again', async ({
  page,
  demo,
  signIn,
}) => {
  await onAnEverydayDay(page)
  await signIn('editor')
  await page.goto(box(demo))
  const headline = part(page, 'headline')
  await expect(headline).toHaveText('pip_rye')

  await page.getByLabel('Words of Headline').focus()
  await page.keyboard.press('ControlOrMeta+A')
  await page.keyboard.type('good evening {name}')
  await expect(headline).toHaveText('good evening pip_rye')

  const before = (await headline.boundingBox())?.height ?? 0
  await page.getByLabel('Size', { exact: true }).focus()
  await page.keyboard.press('ControlOrMeta+A')
  await page.keyboard.type('60')
  await page.keyboard.press('Tab')
  await expect.poll(async () => (await headline.boundingBox())?.height ?? 0).toBeLessThan(before * 0.7)

  await page.getByLabel('Text delay').focus()
  await page.keyboard.press('ControlOrMeta+A')
  await page.keyboard.type('0.5')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: 'Headline', exact: true })).toHaveAttribute(
    'aria-description',
    /^1\.40 to 7\.00 seconds/,
  )

  await page.getByRole('button', { name: 'Sound', exact: true }).focus()
  await page.keyboard.press('Enter')
  await page.getByLabel('Volume').focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText('+0.5 dB').first()).toBeVisible()
  await expect(saved(page)).toBeVisible()

  await page.getByRole('application').focus()
  for (let steps = 0; steps < 4; steps++) await page.keyboard.press('ControlOrMeta+z')
  await expect(headline).toHaveText('pip_rye')
  await expect(page.getByRole('button', { name: 'On air', exact: true })).toBeVisible()
  await page.keyboard.press('ControlOrMeta+Shift+z')
  await expect(headline).toHaveText('good evening pip_rye')
  await expect(page.getByRole('button', { name: 'Put on air · 1' })).toBeVisible()
  await page.keyboard.press('ControlOrMeta+z')
  await expect(saved(page)).toBeVisible()
})

test('Space plays from the start; arrows step frames; the playhead scrubs', async ({ page, demo, signIn }) => {
  await signIn()
  await page.goto(box(demo))
  const playhead = page.getByRole('slider', { name: 'Playhead' })
  await expect(part(page, 'headline')).toBeVisible()
  await page.getByRole('application').focus()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  await expect.poll(async () => Number(await playhead.getAttribute('aria-valuenow'))).toBeGreaterThan(100)
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible()

  await playhead.focus()
  await page.keyboard.press('Home')
  await expect(playhead).toHaveAttribute('aria-valuenow', '0')
  await expect(part(page, 'headline')).toBeHidden()
  await page.getByRole('application').focus()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Shift+ArrowRight')
  await expect(playhead).toHaveAttribute('aria-valuenow', '167')
  const ruler = await playhead.boundingBox()
  await page.mouse.click((ruler?.x ?? 0) + (ruler?.width ?? 0) / 2, (ruler?.y ?? 0) + 8)
  await expect(part(page, 'headline')).toBeVisible()
})

test('drag a part on the stage: it snaps to the middle, and its position is saved', async ({ page, demo, signIn }) => {
  await signIn()
  await page.goto(box(demo, 1))
  const picture = part(page, 'picture')
  await expect(picture).toBeVisible()
  const from = await picture.boundingBox()
  const middle = { x: (from?.x ?? 0) + (from?.width ?? 0) / 2, y: (from?.y ?? 0) + (from?.height ?? 0) / 2 }
  await page.mouse.move(middle.x, middle.y)
  await page.mouse.down()
  await page.mouse.move(middle.x + 20, middle.y - 30, { steps: 4 })
  await page.mouse.move(middle.x + 2, middle.y - 60, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByRole('heading', { name: 'Picture' })).toBeVisible()
  await expect(page.getByLabel('Position from the left')).toHaveValue('540')
  await expect(saved(page)).toBeVisible()
  const top = await page.getByLabel('Position from the top').inputValue()
  expect(Number(top)).toBeLessThan(700)
  await page.keyboard.press('ArrowDown')
  await expect(page.getByLabel('Position from the top')).toHaveValue(String(Number(top) + 1))
  await expect(saved(page)).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Picture', exact: true }).click()
  await expect(page.getByLabel('Position from the top')).toHaveValue(String(Number(top) + 1))
})

test('half-typed words are shown as typed and said where; an unknown variable too', async ({ page, demo, signIn }) => {
  await signIn()
  await page.goto(box(demo))
  await setWords(page, 'Headline', 'hello {na')
  await expect(part(page, 'headline')).toHaveText('hello {na')
  await expect(page.getByText('At letter 7: this brace is not closed')).toBeVisible()
  await setWords(page, 'Headline', 'hello {amount}')
  await expect(page.getByText('This kind of event never carries {amount}')).toBeVisible()
  await setWords(page, 'Headline', '{name}')
  await expect(saved(page)).toBeVisible()
})

test('build an alert for another kind from its start: add, choose files, add a backdrop, remove, take back', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn()
  await page.goto(box(demo, 1))
  await page.getByRole('button', { name: 'Add an alert for another kind of event' }).click()
  await page.getByRole('menuitem', { name: 'Redemption' }).click()
  await expect(part(page, 'second')).toHaveText('redeemed Ring the oven bell')
  await page.getByRole('button', { name: 'Picture', exact: true }).click()
  await page.getByRole('button', { name: 'Picture: no picture' }).click()
  await page.getByRole('option', { name: 'The oven bell' }).click()
  await expect(part(page, 'picture')).toBeVisible()
  await page.getByRole('button', { name: 'Add a backdrop behind the text' }).click()
  await expect(part(page, 'backdrop')).toBeVisible()
  const plate = await part(page, 'backdrop').boundingBox()
  const line = await part(page, 'second').boundingBox()
  expect(plate?.width ?? 0).toBeGreaterThan(line?.width ?? Infinity)
  await page.getByRole('button', { name: /^Remove Backdrop/ }).click()
  await expect(part(page, 'backdrop')).toHaveCount(0)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(part(page, 'backdrop')).toBeVisible()
  await expect(saved(page)).toBeVisible()
})

test('two editors of one line: the second to save is told, nothing is overwritten, and theirs can be taken and given back', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn('owner')
  await page.goto(box(demo))
  await expect(part(page, 'headline')).toBeVisible()
  const other = await signIn('editor', await browser.newPage())
  await other.goto(box(demo))
  await expect(part(other, 'headline')).toBeVisible()
  await setWords(page, 'Headline', 'first, {name}')
  await expect(saved(page)).toBeVisible()
  await setWords(other, 'Headline', 'second, {name}')
  await expect(other.getByRole('dialog', { name: 'Somebody else changed this box too' })).toContainText(
    '“first, {name}”',
  )
  await expect(other.locator('[data-stage] [data-part=headline]')).toHaveText('second, pip_rye')
  await other.getByRole('button', { name: 'Take theirs, drop mine' }).click()
  await expect(part(other, 'headline')).toHaveText('first, pip_rye')
  await other.getByRole('button', { name: /^Undo/ }).click()
  await expect(part(other, 'headline')).toHaveText('second, pip_rye')
  await other.getByRole('button', { name: /^Redo/ }).click()
  await expect(saved(other)).toBeVisible()
  await setWords(other, 'Headline', '{name}')
  await expect(saved(other)).toBeVisible()
  await other.close()
})

test('closing the tab at once loses nothing, not even while the server is away', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn()
  await page.goto(box(demo))
  await expect(part(page, 'headline')).toBeVisible()
  await context.route('**/draft', (route) => route.abort())
  await setWords(page, 'Headline', 'kept, {name}')
  await expect(page.getByText('Not saved yet; kept here, trying again')).toBeVisible()
  await page.close()
  await context.unroute('**/draft')
  const again = await context.newPage()
  await again.goto(box(demo))
  await expect(part(again, 'headline')).toHaveText('kept, pip_rye')
  await expect(saved(again)).toBeVisible()
  await setWords(again, 'Headline', '{name}')
  await expect(saved(again)).toBeVisible()
})

test('a test says how many sources showed it', async ({ page, demo, signIn, context }) => {
  const sources = await Promise.all([context.newPage(), context.newPage()])
  for (const source of sources) await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await signIn('moderator')
  await page.goto(box(demo))
  await expect(page.getByText('2 sources connected')).toBeVisible()
  await expect(page.getByLabel('Words of Headline')).toHaveAttribute('contenteditable', 'false')
  await page.getByRole('button', { name: 'Applause' }).click()
  await page.getByRole('button', { name: 'Send a test' }).click()
  await expect(page.getByText('Showing on 2 sources now')).toBeVisible()
  await expect(page.getByText('Shown by 2 sources')).toBeVisible({ timeout: 15_000 })
})

test('a set with every kind fits the room: all in sight, tools say what they are, empty places take files', async ({
  page,
  demo,
  signIn,
}) => {
  test.slow()
  await signIn()
  const { packs } = (await (await page.request.get(`${demo.url}/api/packs`)).json()) as PackShelfView
  const jelly = packs.find(({ name }) => name === 'Jelly parade')
  const made = await page.request.post(`${demo.url}/api/packs/${jelly?.shelfId}/boxes`, { data: { name: 'All kinds' } })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`${demo.url}/boxes/${id}`)

  // Every kind is there without scrolling, and the arrow keys go along them.
  const marks = page.locator('[data-roll]')
  await expect(marks.first()).toBeVisible()
  const alerts = await marks.count()
  expect(alerts).toBeGreaterThan(15)
  for (const mark of await marks.all()) await expect(mark).toBeInViewport({ ratio: 1 })
  await expectNothingSideways(page)
  await page.locator('[data-roll][aria-current]').focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-roll][aria-current]')).toHaveAccessibleName('Raid')

  // A mark says what it is at once, by mouse and by keyboard; or its name stands beside it.
  const tools = page.getByRole('toolbar', { name: 'Add and arrange parts' })
  await tools.getByRole('button', { name: 'Add a shape' }).hover()
  await expect(page.locator('.hint')).toHaveText('Add a shape')
  await page.mouse.move(640, 20)
  await expect(page.locator('.hint')).toHaveCount(0)
  await page.keyboard.press('Tab')
  await tools.getByRole('button', { name: 'Names of the tools' }).click()
  await expect(tools.getByText('Running line')).toBeVisible()
  await expectNothingSideways(page)

  // What has no file yet can be seen, and takes one.
  await tools.getByRole('button', { name: 'Add a picture' }).click()
  await tools.getByRole('button', { name: 'Add a sound' }).click()
  const empty = page.locator('[data-empty]')
  await expect(empty).toHaveCount(2)
  await empty.filter({ hasText: 'Picture' }).click()
  await expect(page.getByRole('heading', { name: 'Choose a picture' })).toBeVisible()
  await page.keyboard.press('Escape')
  await dropFiles(page, '[data-stage]', [
    {
      name: 'thump.wav',
      bytes: wav({ seconds: 1, sampleAt: (at) => 0.1 * Math.sin(2 * Math.PI * 440 * at) }),
      type: 'audio/wav',
    },
  ])
  await expect(empty).toHaveCount(1, { timeout: 20_000 })
  await dropFiles(page, '[data-stage]', [
    {
      name: 'square.svg',
      bytes: Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" width="80" height="80"><rect width="60" height="60" fill="#E0964B"/></svg>',
      ),
      type: 'image/svg+xml',
    },
  ])
  await expect(page.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'square.svg' })).toBeVisible({
    timeout: 20_000,
  })
  // Notices speak with the same letters as everything else.
  const families = await page.evaluate(() =>
    [document.body, document.querySelector('[data-sonner-toast]')].map(
      (element) => element && getComputedStyle(element).fontFamily,
    ),
  )
  expect(families[1]).toBe(families[0])

  // A new line stands beside the words that are there; its list of variables is inside the window.
  await tools.getByRole('button', { name: 'Add a line of text' }).click()
  const boxes = await Promise.all(['line', 'headline'].map((each) => part(page, each).boundingBox()))
  const [line, headline] = boxes.map((each) => each!)
  const apart = line!.y >= headline!.y + headline!.height || line!.y + line!.height <= headline!.y
  expect(apart || line!.x >= headline!.x + headline!.width || line!.x + line!.width <= headline!.x).toBe(true)
  await page.getByLabel('Words of Line').click()
  await page.keyboard.type(' {')
  const list = page.locator('.cm-tooltip-autocomplete')
  await expect(list).toBeInViewport({ ratio: 1 })
})
