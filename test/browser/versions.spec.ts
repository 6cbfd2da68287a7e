import { expect, test } from '../arrange/fixtures.ts'
import { box, part, saved, setWords } from '../arrange/room.ts'

test.use({ serverFor: 'versions' })

test('draft and air side by side; an earlier version is brought back and can be undone', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await page.goto(box(demo))
  await setWords(page, 'Headline', 'version two, {name}')
  await expect(saved(page)).toBeVisible()
  await page.getByRole('button', { name: /^Put on air/ }).click()
  const dialog = page.getByRole('dialog', { name: 'What goes on air' })
  await dialog.getByRole('tab', { name: 'Side by side' }).click()
  await expect(dialog.getByText('pip_rye', { exact: true }).first()).toBeVisible()
  await expect(dialog.getByText('version two, pip_rye')).toBeVisible()
  await dialog.getByRole('button', { name: 'Put 1 change on air' }).click()
  await expect(page.getByText('On air: version 2.')).toBeVisible()

  await page.getByRole('button', { name: 'On air', exact: true }).click()
  await dialog.getByRole('tab', { name: 'Earlier versions' }).click()
  await dialog
    .getByRole('listitem')
    .filter({ hasText: 'Version 1' })
    .getByRole('button', { name: 'Look at it' })
    .click()
  await dialog.getByRole('button', { name: 'Bring version 1 back into the draft' }).click()
  await page.keyboard.press('Escape')
  await expect(part(page, 'headline')).toHaveText('pip_rye')
  await page.getByRole('button', { name: 'Undo bring back version 1' }).click()
  await expect(part(page, 'headline')).toHaveText('version two, pip_rye')
  await expect(saved(page)).toBeVisible()
})

test('two editors at different places: both are kept, and each sees what the other did', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn('owner')
  await page.goto(box(demo, 1))
  await expect(part(page, 'headline')).toBeVisible()
  const other = await signIn('editor', await browser.newPage())
  await other.goto(box(demo, 1))
  await expect(part(other, 'headline')).toBeVisible()
  await setWords(page, 'Headline', 'first, {name}')
  await expect(saved(page)).toBeVisible()
  await other.getByRole('button', { name: 'Picture', exact: true }).click()
  await other.getByLabel('Turned', { exact: true }).fill('20')
  await other.keyboard.press('Tab')
  const dialog = other.getByRole('dialog', { name: 'Somebody else changed this box too' })
  await expect(dialog).toContainText('“first, {name}”')
  await expect(dialog).toContainText('20°')
  await dialog.getByRole('button', { name: 'Keep both' }).click()
  await expect(part(other, 'headline')).toHaveText('first, pip_rye')
  await expect(other.getByLabel('Turned', { exact: true })).toHaveValue('20.0')
  await expect(saved(other)).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Picture', exact: true }).click()
  await expect(page.getByLabel('Turned', { exact: true })).toHaveValue('20.0')
  await other.close()
})

test('the editor is silent while a source plays on the same machine, and says so', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn('editor')
  await page.goto(box(demo))
  await expect(page.getByRole('button', { name: 'Heard here' })).toBeVisible()
  const source = await context.newPage()
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await expect(page.getByText('Silent, because a source of this box plays on this machine.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Silent here' })).toBeVisible()
  await page.getByRole('button', { name: 'Silent here' }).click()
  await expect(page.getByText('you may hear everything twice')).toBeVisible()
})

test('a composition that does not hold to its limits is refused with its path, and nothing is saved', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  const address = `${demo.url}/api/boxes/${demo.boxes[0]?.id}`
  const { revision, document } = (await (await page.request.get(address)).json()) as {
    revision: number
    document: { alerts: { variations: { composition: { parts: { id: string }[] } }[] }[] }
  }
  const at = document.alerts[0]?.variations[0]?.composition.parts.findIndex((each) => each.id === 'headline') ?? 0
  const path = ['alerts', 0, 'variations', 0, 'composition', 'parts', at]
  const save = (field: string, value: unknown) =>
    page.request.patch(`${address}/draft`, {
      data: { baseRevision: revision, patches: [{ op: 'replace', path: [...path, field], value }] },
    })
  const frames = Array.from({ length: 10_000 }, (_, atMs) => ({ atMs, value: 1, easing: 'linear' }))
  for (const [field, value, words] of [
    ['keyframes', [{ property: 'scale', frames }], 'at most 200 keyframes'],
    ['template', 'x'.repeat(100_000), 'at most 1,000 letters'],
    ['shadow', { xPx: 0, yPx: 0, blurPx: 5000, ink: { role: 'outline' } }, '<=40'],
    ['letters', { motion: 'ripple', unit: 'letter', order: 'start', staggerMs: 0, ms: 1, strength: 1 }, '>=20'],
  ] as const) {
    const answer = await save(field, value)
    expect(answer.status(), field).toBe(422)
    const problem = (await answer.json()) as { issues: { path: string; message: string }[] }
    expect(problem.issues.map((issue) => `${issue.path}: ${issue.message}`).join('; ')).toContain(words)
    expect(problem.issues[0]?.path).toContain(field)
  }
  expect(((await (await page.request.get(address)).json()) as { revision: number }).revision).toBe(revision)
})
