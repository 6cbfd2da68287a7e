import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { newTrigger } from '../../core/triggers/schema.ts'
import { expect, test, untilState } from '../arrange/fixtures.ts'
import { TestStudio } from '../arrange/studio.ts'

test.use({ serverFor: 'triggers' })
// Whole stories, from a reward that is made to the picture of the studio.
test.describe.configure({ timeout: 120_000 })

let studio: TestStudio
test.beforeAll(async ({ server }) => {
  studio = await TestStudio.start(server.demo)
})
test.afterAll(() => studio.end())

const programme = (page: Page) => page.locator('#programme-name')
const source = (page: Page, name: string) => page.getByRole('button', { name: `: ${name}` })

test('make a reward, give it a run sheet of an alert, a scene for a time and a line in chat, and redeem it', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn('editor')
  await page.goto(`${demo.url}/triggers`)
  await expect(page.getByRole('heading', { name: 'What viewers can set off' })).toBeVisible()
  await expect(page.getByText('4 linked')).toBeVisible()
  await page.getByRole('button', { name: 'New trigger' }).click()
  const chosen = page.getByRole('region', { name: 'The chosen trigger' })
  const name = chosen.getByLabel('Name of the trigger')
  await expect(name).toHaveValue('New trigger')
  await name.fill('Look into the oven')
  await name.press('Enter')
  await expect(page.getByRole('button', { name: /^Look into the oven/ })).toBeVisible()
  await expect(chosen.getByRole('button', { name: 'Arm it' })).toBeDisabled()

  // A reward of its own on the platform, for what it costs.
  await chosen.getByRole('button', { name: 'Started by' }).click()
  await chosen.getByRole('button', { name: /^Add a reward/ }).click()
  await page.getByRole('option', { name: 'a new reward…' }).click()
  await chosen.getByLabel('Price on the platform').fill('250')
  await chosen.getByLabel('Price on the platform').press('Tab')
  await chosen.getByRole('button', { name: 'Make it on Alder' }).click()
  await expect(chosen.getByRole('button', { name: 'Started by' })).toContainText('reward on Alder')
  await expect(chosen.getByRole('button', { name: /^Price / })).toContainText('250 points on Alder')

  const add = async (step: string) => {
    await chosen.getByRole('button', { name: /^Add a step/ }).click()
    await page.getByRole('option', { name: step }).click()
  }
  const steps = chosen.getByRole('list', { name: 'Steps' }).getByRole('button')
  await add('Play an alert')
  await expect(steps).toHaveCount(1)
  await steps.first().click()
  await chosen.getByRole('button', { name: /^Which alert/ }).click()
  await page.getByRole('option', { name: 'Oven bell · Redemption (Night counter)' }).click()
  await expect(steps.first()).toContainText('Oven bell')
  await add('Switch the scene')
  await expect(steps).toHaveCount(2)
  await steps.nth(1).click()
  await chosen.getByRole('button', { name: /^Begins/ }).click()
  await page.getByRole('option', { name: 'together with “Oven bell”' }).click()
  await expect(steps.nth(1)).toHaveAccessibleName(/studio: Oven cam, from 0.00 s to 8.00 s/)
  await add('Say in chat')
  await expect(steps).toHaveCount(3)
  await steps.nth(2).click()
  await chosen.getByLabel('What is said').fill('mind the heat, {name}')
  await chosen.getByLabel('What is said').press('Enter')
  await expect(steps.nth(2)).toContainText('say “mind the heat, {name}”')
  await chosen.getByRole('button', { name: 'Arm it' }).click()
  await expect(chosen.getByText('Armed: it can be set off now.')).toBeVisible()

  // The studio shows the box, put there without its address being seen.
  const screen = await context.newPage()
  await screen.goto(studio.url)
  await expect(screen.getByText('linked', { exact: true })).toBeVisible()
  await page.goto(`${demo.url}/boxes/${demo.boxes[0]?.id}`)
  await page.getByRole('button', { name: 'Source', exact: true }).click()
  const dialog = page.getByRole('dialog', { name: 'Source address' })
  await dialog.getByLabel('Bench cam').check()
  await dialog.getByLabel('Oven cam').check()
  await dialog.getByRole('button', { name: 'Put it there' }).click()
  await expect(dialog.getByText('stands in Oven cam, Bench cam, with the right size')).toBeVisible()
  const shown = screen.frameLocator('#programme iframe')
  await expect(shown.locator('html')).toHaveAttribute('data-state', 'waiting')
  await expect(programme(screen)).toHaveText('Bench cam')

  const chat = await context.newPage()
  await chat.goto(demo.chatUrl)
  await chat.getByLabel('Who you are').selectOption('MarrowHat')
  await chat.getByRole('button', { name: 'Redeem Look into the oven' }).click()
  await expect(shown.locator('html')).toHaveAttribute('data-state', 'playing')
  await expect(shown.locator('[data-part=headline]')).toHaveText('MarrowHat')
  await expect(programme(screen)).toHaveText('Oven cam')
  // And the way back.
  await expect(programme(screen)).toHaveText('Bench cam', { timeout: 30_000 })
  await expect(chat.getByRole('log').getByText('mind the heat, MarrowHat')).toBeVisible()
  await expect(chat.getByText('MarrowHat: Look into the oven')).toBeVisible()
  await expect(chat.locator('li', { hasText: 'MarrowHat: Look into the oven' })).toContainText('done', {
    timeout: 10_000,
  })
})

test('everything that viewers of the bakery can set off, from the chat to the picture', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  const screen = await context.newPage()
  await screen.goto(studio.url)
  await expect(screen.getByText('linked', { exact: true })).toBeVisible()
  const box = await context.newPage()
  await box.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(box, 'waiting')
  const chat = await context.newPage()
  await chat.goto(demo.chatUrl)
  const log = chat.getByRole('log')
  const say = async (who: string, text: string) => {
    await chat.getByLabel('Who you are').selectOption(who)
    await chat.getByLabel('Say something').fill(text)
    await chat.getByLabel('Say something').press('Enter')
    await expect(log.getByText(text, { exact: true }).last()).toBeVisible()
  }
  await say('pip_rye', '!crumb')
  await expect(log.getByText('pip_rye has 1,240 crumbs')).toBeVisible()
  await say('pip_rye', '!commands')
  await expect(log.getByText('/list/channel-lantern-loaf')).toBeVisible()
  await chat.getByRole('button', { name: 'Add warmLoaf' }).click()
  await expect(chat.getByLabel('Say something')).toHaveValue('warmLoaf ')
  await chat.getByLabel('Say something').press('Enter')
  await expect(log.getByRole('img', { name: 'warmLoaf' })).toBeVisible()
  await say('Zoë', '!bell')
  await expect(log.getByText('Zoë: This is for VIPs or moderators.')).toBeVisible()

  // Five ask for it.
  for (const who of ['pip_rye', 'MarrowHat', 'sootkettle', 'Zoë']) await say(who, '!rise')
  await expect(box.locator('html')).toHaveAttribute('data-state', 'waiting')
  await say('kneadybeast', '!rise')
  await untilState(box, 'playing')
  await expect(box.locator('[data-part=headline]')).toHaveText('It rises')
  await expect(log.getByText('dough number 1 rises')).toBeVisible()
  await untilState(box, 'waiting')

  // The cloud is there for eight seconds, and gone.
  const cloud = source(screen, 'Flour cloud')
  await expect(cloud).toHaveText('Hidden')
  await chat.getByRole('button', { name: 'Redeem Flour cloud' }).click()
  await expect(cloud).toHaveText('Shown')
  await expect(cloud).toHaveText('Hidden', { timeout: 30_000 })

  // A surge has sheets of its own: a sound with a cloud of the same length, and what it came to.
  const surge = (kind: string, totalPoints: number) =>
    page.request.post(`${demo.url}/api/events`, {
      headers: { authorization: `Bearer ${demo.apiKey}`, 'content-type': 'application/cloudevents+json' },
      data: {
        ...{ specversion: '1.0', id: `${kind}-1`, source: 'test', type: `thundercrest.event.${kind}.v1` },
        data: { viewer: null, level: 2, totalPoints },
      },
    })
  expect((await surge('surgeStarted', 300)).status()).toBe(202)
  await expect(log.getByText('rush hour! 300 points already')).toBeVisible()
  await expect(cloud).toHaveText('Shown')
  expect((await surge('surgeEnded', 4200)).status()).toBe(202)
  await expect(log.getByText('the rush is over: level 2, 4,200 points. Thank you all')).toBeVisible()
  await expect(cloud).toHaveText('Hidden')

  // A name for a loaf waits on the desk until somebody says that it is done.
  await chat.getByLabel('subscriber').check()
  await chat.getByLabel('What you type for Name this loaf').fill('Crumbelina')
  await chat.getByRole('button', { name: 'Redeem Name this loaf' }).click()
  await untilState(box, 'playing')
  await expect(box.locator('[data-part=headline]')).toHaveText('Crumbelina')
  await signIn('moderator')
  await page.goto(`${demo.url}/desk`)
  const task = page.getByRole('list', { name: 'To be done by hand' }).getByRole('listitem')
  await expect(task).toContainText('Crumbelina')
  await task.getByRole('button', { name: 'Done' }).click()
  await expect(task).toHaveCount(0)
  await expect(chat.locator('li', { hasText: ': Name this loaf' })).toContainText('done')

  // A button of the desk is only heard.
  const heard = box.evaluate(
    () =>
      new Promise((resolve) => document.addEventListener('thundercrest:beside', () => resolve(true), { once: true })),
  )
  await page.locator('body').press('b')
  expect(await heard).toBe(true)

  await page.goto(`${demo.url}/triggers/redemptions`)
  await expect(page.getByText('refused: This is for VIPs or moderators.')).toBeVisible()
})

test('a hand at the studio wins; stopped or unplugged, what was held is given back', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  await signIn('editor')
  const api = async (method: 'post' | 'put', path: string, data: object) => {
    const answer = await page.request[method](`${demo.url}${path}`, { data, headers: { origin: demo.url } })
    expect(answer.ok()).toBe(true)
    return (await answer.json()) as { id: string }
  }
  // Held for so long that nobody has to hurry.
  const { id } = await api('post', '/api/triggers', { name: 'Long look' })
  const sheet = { do: 'inTurn', of: [{ do: 'scene', scene: 'Oven cam', forMs: 300_000 }] }
  const starts = [{ by: 'hand', key: null }]
  const trigger = { ...newTrigger(id, 'Long look'), isArmed: true, starts, sheet, again: 'together' }
  await api('put', `/api/triggers/${id}`, { trigger, revision: 0 })

  const screen = await context.newPage()
  await screen.goto(studio.url)
  await expect(screen.getByText('linked', { exact: true })).toBeVisible()
  await screen.getByRole('button', { name: 'Take: Bench cam' }).click()
  await expect(programme(screen)).toHaveText('Bench cam')
  await page.goto(`${demo.url}/desk`)
  const look = page.getByRole('button', { name: 'Long look', exact: true })
  const stop = page.getByRole('button', { name: 'Stop Long look' })
  await look.click()
  await expect(programme(screen)).toHaveText('Oven cam')
  await stop.click()
  await expect(programme(screen)).toHaveText('Bench cam')
  await expect(stop).toHaveCount(0)

  // Gone in the middle and back: it is still held, and still given back.
  await look.click()
  await expect(programme(screen)).toHaveText('Oven cam')
  await screen.getByRole('button', { name: 'Unplug' }).click()
  await expect(screen.getByText('not linked')).toBeVisible()
  await screen.getByRole('button', { name: 'Plug in again' }).click()
  await expect(screen.getByText('linked', { exact: true })).toBeVisible()
  await expect(programme(screen)).toHaveText('Oven cam')
  await stop.click()
  await expect(programme(screen)).toHaveText('Bench cam')
  await expect(stop).toHaveCount(0)

  await look.click()
  await expect(programme(screen)).toHaveText('Oven cam')
  await screen.getByRole('button', { name: 'Take: Street window' }).click()
  await expect(programme(screen)).toHaveText('Street window')
  await stop.click()
  await expect(stop).toHaveCount(0)
  await expect(programme(screen)).toHaveText('Street window')
  await page.goto(`${demo.url}/triggers/redemptions`)
  await expect(page.getByText('stopped: Bram Quill stopped it').first()).toBeVisible()
})

test('what viewers can set off goes along with a pack, and arrives unarmed and without a price', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await page.goto(`${demo.url}/boxes/${demo.boxes[0]?.id ?? ''}`)
  await page.getByRole('button', { name: 'Packs and dials' }).click()
  await page.getByRole('button', { name: /Save as a pack/ }).click()
  const paper = page.getByRole('dialog', { name: 'Save as a pack' })
  const along = paper.getByRole('group', { name: 'What viewers can set off with it' })
  await expect(along.getByRole('checkbox', { name: 'Golden crust draw' })).toBeChecked()
  await along.getByRole('checkbox', { name: 'Ring the oven bell' }).uncheck()
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    paper.getByRole('button', { name: /^Download/ }).click(),
  ])
  const path = await saved.path()

  await page.goto(`${demo.url}/boxes/new`)
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose a pack' }).click(),
  ])
  await chooser.setFiles({ name: 'night.pack.zip', mimeType: 'application/zip', buffer: readFileSync(path) })
  const form = page.getByRole('form', { name: 'The new box' })
  await expect(form.getByRole('checkbox', { name: /^with its \d+ triggers$/ })).toBeChecked()
  await expect(form.getByText(/Golden crust draw.* They arrive unarmed/)).toBeVisible()
  await form.getByLabel('Name').fill('Second counter')
  await form.getByRole('button', { name: 'Make the box' }).click()
  await expect(page).toHaveURL(/\/boxes\/box-/)

  await page.goto(`${demo.url}/triggers`)
  await expect(page.getByRole('button', { name: /^Ring the oven bell/ })).toHaveCount(1)
  const draws = page.getByRole('button', { name: /^Golden crust draw/ })
  await expect(draws).toHaveCount(2)
  await draws.last().click()
  const chosen = page.getByRole('region', { name: 'The chosen trigger' })
  // Nothing starts it: the reward was the other channel’s.
  await expect(chosen.getByRole('button', { name: 'Arm it' })).toBeDisabled()
  await expect(chosen.getByRole('list', { name: 'Steps' })).toContainText('Golden crust')
})

test('the gate is tried as anybody; points are given with a reason; the list is found by words', async ({
  page,
  demo,
  signIn,
}) => {
  await signIn('editor')
  await page.goto(`${demo.url}/triggers?trigger=loaf`)
  const chosen = page.getByRole('region', { name: 'The chosen trigger' })
  await chosen.getByRole('button', { name: 'Try it as somebody…' }).click()
  const tried = chosen.getByRole('status')
  await expect(tried).toContainText('This is for subscribers.')
  await chosen.getByRole('button', { name: /^Who it is/ }).click()
  await page.getByRole('option', { name: 'a subscriber' }).click()
  await expect(tried).toContainText('That cannot be taken')
  await chosen.getByLabel('What is typed').fill('Crumbelina')
  await expect(tried).toHaveText('Let through.')

  // A sentence is changed in place, and taken back by a key.
  await chosen.getByRole('button', { name: 'Again after' }).click()
  await chosen.getByLabel('Again for everybody after seconds').fill('45')
  await chosen.getByLabel('Again for everybody after seconds').press('Tab')
  await expect(chosen.getByRole('button', { name: 'Again after' })).toContainText('45 s, each 10 min')
  await page.getByRole('heading', { name: 'What viewers can set off' }).click()
  await page.keyboard.press('Control+z')
  await expect(chosen.getByRole('button', { name: 'Again after' })).toHaveText('each 10 min')

  await page.goto(`${demo.url}/triggers/points`)
  await page.getByLabel('Find a viewer by name').fill('marrow')
  await page
    .getByRole('button', { name: /MarrowHat/ })
    .first()
    .click()
  await page.getByLabel('How many crumbs', { exact: true }).fill('40')
  await page.getByLabel('Why', { exact: true }).fill('drew the lantern')
  await page.getByRole('button', { name: 'Give' }).click()
  await expect(page.getByRole('list', { name: 'Ledger' })).toContainText('drew the lantern (Bram Quill)')

  await page.goto(demo.listUrl)
  await expect(page.getByRole('heading', { name: 'Golden crust draw' })).toBeVisible()
  await page.getByLabel('Find something by its words').fill('flour')
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await expect(page.getByRole('listitem')).toContainText('1,000 points')
})
