import type { PackShelfView, PackView } from '../../contract/packs.ts'
import { eventKinds } from '../../core/events/kinds.ts'
import { turned } from '../../core/pack/turnDials.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import { packRemarks } from '../arrange/packRemarks.ts'
import { openHarness } from '../arrange/playerHarness.ts'
import { saved } from '../arrange/room.ts'

test.use({ serverFor: 'gallery' })

test('five clicks from the boxes to a set on air, with the channel’s own name seen in it before; then a source plays it', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.slow()
  await signIn()
  await page.goto(`${demo.url}/boxes`)
  let clicks = 0
  const click = async (role: 'link' | 'radio' | 'button', name: string | RegExp) => {
    clicks += 1
    await page.getByRole(role, { name }).last().click()
  }
  await click('link', 'New box')
  await click('radio', /Apple cart/)
  const form = page.getByRole('form', { name: 'The new box' })
  await expect(form.locator('[data-part=headline]').getByText('Lantern Loaf')).toBeVisible()
  await click('button', 'Make the box')
  await expect(saved(page)).toBeVisible()
  await click('button', /^Put on air/)
  await click('button', /on air$/)
  await expect(page.getByText('On air: version 1')).toBeVisible()
  expect(clicks).toBe(5)

  const { boxes } = (await (await page.request.get(`${demo.url}/api/boxes`)).json()) as {
    boxes: { id: string; name: string }[]
  }
  const made = boxes.find(({ name }) => name === 'Apple cart')
  const { url } = (await (await page.request.get(`${demo.url}/api/boxes/${made?.id}/address`)).json()) as {
    url: string
  }
  const source = await context.newPage()
  await source.goto(url)
  await untilState(source, 'waiting')
  expect(
    (await page.request.post(`${demo.url}/api/boxes/${made?.id}/tests`, { data: { kind: 'giftBatch' } })).status(),
  ).toBe(202)
  await expect(source.getByText('hands out 5 baskets')).toBeVisible({ timeout: 20_000 })
})

test('the shelf has eight sets or more, of clearly different canvases and kinds; by keyboard and without a fault of access', async ({
  page,
  demo,
  signIn,
}) => {
  test.slow()
  await signIn()
  const { packs } = (await (await page.request.get(`${demo.url}/api/packs`)).json()) as PackShelfView
  const gallery = packs.filter(({ origin }) => origin === 'gallery')
  expect(gallery.length).toBeGreaterThanOrEqual(8)
  for (const { kinds, dialCount, caseCount } of gallery) {
    expect([...kinds].sort()).toEqual([...eventKinds].sort())
    expect(dialCount).toBeGreaterThanOrEqual(5)
    expect(caseCount).toBeGreaterThan(20)
  }
  expect(new Set(gallery.map(({ cover }) => cover.canvas.heightPx > cover.canvas.widthPx)).size).toBe(2)
  expect((await page.request.delete(`${demo.url}/api/packs/${gallery[0]?.shelfId}`)).status()).toBe(403)

  await page.goto(`${demo.url}/boxes/new`)
  await expect(page.getByRole('radio')).toHaveCount(gallery.length + 4)
  await page.getByRole('radio', { name: /^Nothing/ }).focus()
  // From the last it goes on with the first.
  await page.keyboard.press('ArrowDown')
  const form = page.getByRole('form', { name: 'The new box' })
  await expect(form.getByRole('heading', { name: 'Window ledge' })).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await expect(form.getByRole('heading', { name: 'Jelly parade' })).toBeVisible()
  // A name that somebody wrote stays, whatever is chosen then.
  await form.getByLabel('Name').fill('Mine')
  await page.getByRole('radio', { name: /Stairwell/ }).click()
  await expect(form.getByLabel('Name')).toHaveValue('Mine')
  await expect(form.getByRole('radio', { name: /Tall/ })).toBeChecked()
  await form.getByRole('button', { name: /^Shown:/ }).click()
  await page.getByRole('option', { name: 'Raid: Fifty guests and more' }).click()
  await expect(form.locator('[data-part=second]').getByText(/opens the door to/)).toBeVisible()
  await expectNoFaults(page, artwork)
})

test.describe('what ships', () => {
  test.use({ bypassCSP: true })
  test('has nothing to mend: no set has a remark, in any case with any sample, silent or read aloud', async ({
    page,
    demo,
    signIn,
  }) => {
    test.slow()
    await signIn()
    const { packs } = (await (await page.request.get(`${demo.url}/api/packs`)).json()) as PackShelfView
    await openHarness(page, demo)
    for (const { shelfId } of packs.filter(({ origin }) => origin === 'gallery')) {
      const view = (await (await page.request.get(`${demo.url}/api/packs/${shelfId}`)).json()) as PackView
      expect(await packRemarks(page, view)).toEqual([])
      const { box, dials } = view.manifest
      const aloud = { ...view.manifest, box: turned({ box, dials }, { voice: true }) }
      expect(await packRemarks(page, { ...view, manifest: aloud })).toEqual([])
    }
  })
})
