import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'
import { saved } from '../arrange/room.ts'
import type { BoxView } from '../../contract/views.ts'

test.use({ serverFor: 'between' })

test('an alert is copied to another box, and one of its cases is moved there and brought back', async ({
  page,
  demo,
  signIn,
}) => {
  test.slow()
  await signIn()
  const [from, to] = demo.boxes
  const casesOf = async (id: string | undefined, kind: string) => {
    const view = (await (await page.request.get(`${demo.url}/api/boxes/${id}`)).json()) as BoxView
    return view.document.alerts.find(({ kinds }) => kinds.includes(kind as never))?.variations.length ?? 0
  }
  const before = [await casesOf(from?.id, 'tip'), await casesOf(to?.id, 'tip')] as const
  await page.goto(`${demo.url}/boxes/${from?.id}`)
  await page.getByRole('button', { name: /^Tip/ }).first().click()
  await page.getByRole('region', { name: 'Case' }).getByRole('button', { expanded: false }).first().click()
  await page.getByRole('button', { name: 'To another box…' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText(/wears the look of that box/)).toBeVisible()
  await expectNoFaults(page, artwork)
  await dialog.getByLabel(/^the whole alert/).check()
  await dialog.getByRole('button', { name: 'Copy it' }).click()
  await expect(page.getByText(/^Copied to/)).toBeVisible()
  expect(await casesOf(from?.id, 'tip')).toBe(before[0])
  expect(await casesOf(to?.id, 'tip')).toBe(before[1] + before[0])

  await page.getByRole('button', { name: 'To another box…' }).press('Enter')
  await dialog.getByRole('button', { name: 'Move it' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(saved(page)).toBeVisible()
  await expect.poll(() => casesOf(from?.id, 'tip')).toBe(before[0] - 1)
  expect(await casesOf(to?.id, 'tip')).toBe(before[1] + before[0] + 1)
  await page.getByRole('button', { name: /^Undo/ }).first().click()
  await expect.poll(() => casesOf(from?.id, 'tip')).toBe(before[0])
  // On air nothing has changed.
  const there = (await (await page.request.get(`${demo.url}/api/boxes/${to?.id}`)).json()) as BoxView
  expect(there.airDocument?.alerts.find(({ kinds }) => kinds.includes('tip'))?.variations.length ?? 0).toBe(before[1])
  const nothing = await page.request.post(`${demo.url}/api/boxes/${to?.id}/alerts`, {
    data: { fromBoxId: from?.id, alertId: 'no-such', variationId: null },
  })
  expect(nothing.status()).toBe(404)
})

test('a box is laid out for another canvas, seen before and after, and one step back', async ({
  page,
  demo,
  signIn,
}) => {
  test.slow()
  await signIn()
  await page.goto(`${demo.url}/boxes/${demo.boxes[0]?.id}`)
  const draft = page.getByRole('region', { name: 'Draft' })
  await expect(draft).toContainText('Canvas 1920 × 1080')
  await draft.getByRole('button', { name: 'Another size…' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('button', { name: 'Lay it out anew' })).toBeDisabled()
  await dialog.getByRole('radio', { name: /Tall/ }).click()
  const rows = dialog.getByRole('list', { name: 'Before and after' }).getByRole('listitem')
  await expect(rows.first()).toContainText('Follow')
  await expectNoFaults(page, artwork)
  await dialog.getByRole('button', { name: 'Lay it out anew' }).click()
  await expect(draft).toContainText('Canvas 1080 × 1920')
  await expect(saved(page)).toBeVisible()
  await page.reload()
  await expect(draft).toContainText('Canvas 1080 × 1920')
  await draft.getByRole('button', { name: 'Another size…' }).click()
  await dialog.getByRole('radio', { name: /Wide/ }).click()
  await dialog.getByRole('button', { name: 'Lay it out anew' }).click()
  await expect(draft).toContainText('Canvas 1920 × 1080')
  await page.getByRole('button', { name: /^Undo/ }).first().click()
  await expect(draft).toContainText('Canvas 1080 × 1920')
})
