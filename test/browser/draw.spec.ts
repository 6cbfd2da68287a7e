import type { DrawPart } from '../../core/score/parts/draw/schema.ts'
import { drawnPrize } from '../../core/score/parts/draw/drawnPrize.ts'
import { eventSeed } from '../../core/score/valuesIn.ts'
import { redeem } from '../arrange/alder.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import { box, part, saved } from '../arrange/room.ts'

test.use({ serverFor: 'draw' })

test('the golden crust draw plays with the redeemer’s name, and lands on what the event draws', async ({
  page,
  demo,
}) => {
  await page.setViewportSize({ width: 1920, height: 1080 })
  await page.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(page, 'waiting')
  const answered = await redeem(demo, 'Golden crust draw', '01J0000000000000000000DRAW', 'MarrowHat')
  expect(await answered.json()).toMatchObject({ accepted: 1 })
  await untilState(page, 'playing')
  await expect(page.locator('[data-part=second]')).toHaveText('MarrowHat reaches for the shelf')
  await expect(page.locator('[data-part=draw]')).toContainText('golden crust draw · one of five for MarrowHat')

  const answer = await fetch(`${demo.url}/api/events?limit=500`, {
    headers: { authorization: `Bearer ${demo.apiKey}` },
  })
  const { events } = (await answer.json()) as { events: { source: string; externalId: string }[] }
  const event = events.find(({ externalId }) => externalId.endsWith('DRAW'))
  if (!event) throw new Error('The redemption is not among the events')
  const weights = { Croissant: 3, Rye: 3, Bun: 4, Pretzel: 2, 'Golden crust': 1 }
  const prizes = Object.entries(weights).map(([name, weight]) => ({ id: name, name, mediaId: null, weight }))
  const drawn = drawnPrize(
    { id: 'draw', prizes, rare: { prizeId: 'Golden crust', percent: 4 } } as Pick<DrawPart, 'id' | 'prizes' | 'rare'>,
    eventSeed(event),
  )
  await expect(page.locator('[data-prize]:not([data-prize=""])')).toHaveAttribute('data-prize', drawn?.name ?? '', {
    timeout: 30_000,
  })
  await untilState(page, 'waiting')
})

test('compose a draw: put it on the stage, name prizes, make one rare, try it', async ({ page, demo, signIn }) => {
  await signIn('editor')
  await page.goto(`${box(demo)}`)
  await expect(part(page, 'headline')).toBeVisible()
  await page.getByRole('button', { name: 'Add a prize draw' }).click()
  await expect(part(page, 'draw')).toBeVisible()

  const inspector = page.getByRole('complementary', { name: 'Inspector' })
  // One that is on the shelf at that moment: what passes follows from the sample.
  await inspector.getByLabel('Name of prize 3').fill('Apple pie')
  await page.keyboard.press('Enter')
  await expect(part(page, 'draw')).toContainText('Apple pie')
  await inspector.getByRole('button', { name: 'Take Fourth prize away' }).click()
  await expect(inspector.getByTitle('How often Apple pie is drawn')).toHaveText('33 %')
  await inspector.getByRole('button', { name: 'The rare prize' }).click()
  await page.getByRole('option', { name: 'Apple pie' }).click()
  await expect(inspector.getByTitle('How often Apple pie is drawn')).toHaveText('4.0 %')
  await expect(inspector.getByTitle('How often Second prize is drawn')).toHaveText('48 %')

  // Words of other parts know what is drawn.
  await page.getByRole('button', { name: 'Headline', exact: true }).click()
  await page.getByLabel('Words of Headline').click()
  await page.keyboard.press('ControlOrMeta+A')
  await page.keyboard.insertText('{prize}')
  await expect(part(page, 'headline')).toHaveText(/Apple pie|First prize|Second prize/)
  await expect(page.getByText('never carries {prize}')).toHaveCount(0)
  await expect(saved(page)).toBeVisible()
})
