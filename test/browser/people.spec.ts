import { readdirSync, readFileSync } from 'node:fs'
import type { APIRequestContext, Browser, Page } from '@playwright/test'
import type { MadeInvitation, PeopleView } from '../../contract/people.ts'
import type { Role } from '../../contract/views.ts'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'
import { mutatingRoutes } from '../arrange/mutatingRoutes.ts'
import { setWords, saved } from '../arrange/room.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'people' })

const password = 'a loaf of ten letters'
const member = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Members' }).getByRole('listitem').filter({ hasText: name })

/** Invites somebody by hand on the page of people. @returns the link */
async function invite(page: Page, demo: DemoFile, role: Role, note: string): Promise<string> {
  await page.goto(`${demo.url}/people`)
  await page.getByLabel('They will be').selectOption(role)
  await page.getByLabel('For whom').fill(note)
  await page.getByRole('button', { name: 'Make a link' }).click()
  return page.getByLabel('Link of the invitation').innerText()
}
/** Somebody opens a link on a browser of their own, and makes an account. */
async function joined(browser: Browser, url: string, name: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage()
  await page.goto(url)
  await page.getByLabel('Your name').fill(name)
  await page.getByLabel('E-mail address').fill(`${name.toLowerCase()}@lantern.example`)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Make the account and join' }).click()
  await expect(page.getByRole('button', { name: new RegExp(`^${name}, `) })).toBeVisible()
  return page
}

test('somebody is invited, joins on a browser of their own, is given another role in the middle of an edit, and leaves', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  test.slow()
  await signIn()
  const url = await invite(page, demo, 'editor', 'Wick, for the posters')
  await expect(page.getByRole('list', { name: 'Open invitations' })).toContainText('Wick, for the posters, as editor')
  await expectNoFaults(page, artwork)

  const door = await (await browser.newContext()).newPage()
  await door.goto(url)
  await expect(door.getByRole('heading', { name: 'Join Lantern Loaf' })).toBeVisible()
  await expect(door.getByText('Odalys Fenn invites you as editor')).toBeVisible()
  await expectNoFaults(door, artwork)
  await door.close()

  const wick = await joined(browser, url, 'Wick')
  await expect(wick.getByRole('heading', { name: 'Boxes', exact: true })).toBeVisible()
  // It worked once.
  const late = await (await browser.newContext()).newPage()
  await late.goto(url)
  await expect(late.getByRole('alert')).toContainText('This invitation has been used')
  await page.reload()
  await expect(member(page, 'Wick')).toContainText('wick@lantern.example')
  await expect(page.getByRole('list', { name: 'Open invitations' })).toHaveCount(0)

  // In the middle of an edit.
  await wick.goto(`${demo.url}/boxes/${demo.boxes[0]?.id}`)
  await wick.getByRole('button', { name: 'Follow', exact: true }).click()
  await wick.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Headline', exact: true }).click()
  await setWords(wick, 'Headline', 'welcome in')
  await expect(saved(wick)).toBeVisible()
  await member(page, 'Wick').getByLabel('Role of Wick').selectOption('moderator')
  // Told on the screen that is open, without anything being done there.
  await expect(wick.getByRole('button', { name: /^Wick, moderator/ })).toBeVisible()
  await expect(member(page, 'Wick').getByLabel('Role of Wick')).toHaveValue('moderator')
  const refused = await wick.request.post(`${demo.url}/api/boxes`, {
    data: { name: 'x', canvas: { widthPx: 100, heightPx: 100, framesPerSecond: 60 } },
  })
  expect(refused.status()).toBe(403)

  // By the keyboard: out of the channel, and in no way back.
  await wick.goto(`${demo.url}/people`)
  await expect(wick.getByText('Owners invite others and give roles.')).toBeVisible()
  await expect(member(wick, 'Odalys Fenn')).not.toContainText('@')
  await member(wick, 'Wick').getByRole('button', { name: 'Leave' }).press('Enter')
  await wick.getByRole('button', { name: 'Leave the channel' }).press('Enter')
  await expect(wick.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await wick.getByLabel('E-mail address').fill('wick@lantern.example')
  await wick.getByLabel('Password').fill(password)
  await wick.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(wick.getByRole('alert')).toContainText('You belong to no channel any more')
  await page.reload()
  await expect(member(page, 'Wick')).toHaveCount(0)
})

test('an edit that was on its way when its author became a moderator is offered to be kept', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  test.slow()
  await signIn()
  const wick = await joined(browser, await invite(page, demo, 'editor', 'Wren'), 'Wren')
  await page.reload()
  await wick.goto(`${demo.url}/boxes/${demo.boxes[0]?.id}`)
  await wick.getByRole('button', { name: 'Follow', exact: true }).click()
  await wick.getByRole('region', { name: 'Score' }).getByRole('button', { name: 'Headline', exact: true }).click()
  await expect(wick.getByLabel('Words of Headline')).toBeVisible()
  // It is held on its way until the role is another.
  let letGo: () => void = () => undefined
  const isLet = new Promise<void>((resolve) => (letGo = resolve))
  await wick.route('**/draft', async (route) => {
    await isLet
    await route.continue()
  })
  await setWords(wick, 'Headline', 'nothing of this is lost')
  await member(page, 'Wren').getByLabel('Role of Wren').selectOption('moderator')
  await expect(member(page, 'Wren').getByLabel('Role of Wren')).toHaveValue('moderator')
  letGo()
  const kept = wick.waitForEvent('download')
  await wick.getByRole('button', { name: 'Keep them as a file' }).click()
  const path = await (await kept).path()
  expect(readFileSync(path, 'utf8')).toContain('nothing of this is lost')
})

test('whoever has only the desk runs it, and sees and is told nothing else', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn()
  const url = await invite(page, demo, 'desk', 'Taper')
  await expect(page.getByRole('list', { name: 'Open invitations' })).toContainText('as desk only')
  const taper = await joined(browser, url, 'Taper')
  await expect(taper.getByRole('heading', { name: 'Waiting' })).toBeVisible()
  await expect(taper.getByRole('navigation', { name: 'Stations' })).toHaveCount(0)
  await taper.getByRole('button', { name: /^Hold/ }).click()
  await expect(taper.getByRole('button', { name: /^(Go on|Let it go on|Go)/ })).toBeVisible()
  await expectNoFaults(taper, artwork)
  for (const elsewhere of ['/boxes', '/history', '/people', '/triggers']) {
    await taper.goto(demo.url + elsewhere)
    await expect(taper).toHaveURL(/\/desk$/)
  }
  for (const path of ['history', 'people', 'triggers', 'points', 'tip-page', 'trail', 'channel/feeds'])
    expect([path, (await taper.request.get(`${demo.url}/api/${path}`)).status()]).toEqual([path, 403])
  // Raised while the desk is open: the rest is there at once.
  await page.reload()
  await member(page, 'Taper').getByLabel('Role of Taper').selectOption('editor')
  await expect(taper.getByRole('navigation', { name: 'Stations' })).toBeVisible()
})

test('whoever is taken out is out at once, and comes back with the account they have', async ({
  page,
  demo,
  signIn,
  browser,
}) => {
  await signIn()
  const sconce = await joined(browser, await invite(page, demo, 'moderator', 'Sconce'), 'Sconce')
  await expect(sconce.getByRole('heading', { name: 'Waiting' })).toBeVisible()
  await page.reload()
  await member(page, 'Sconce').getByRole('button', { name: 'Take out' }).click()
  await page.getByRole('button', { name: 'Take Sconce out' }).click()
  await expect(sconce.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  // The session is still theirs: a new link lets them in without another account.
  await sconce.goto(await invite(page, demo, 'editor', 'Sconce again'))
  await sconce.getByRole('button', { name: 'Join as Sconce' }).click()
  await expect(sconce.getByRole('heading', { name: 'Boxes', exact: true })).toBeVisible()
  // And who belongs to it already leaves a link as it is.
  const url = await invite(page, demo, 'moderator', 'nobody yet')
  await sconce.goto(url)
  await expect(sconce.getByText('who belongs to it already')).toBeVisible()
  await page.getByRole('button', { name: 'Take back: nobody yet' }).click()
  await expect(page.getByRole('button', { name: 'Take back: nobody yet' })).toHaveCount(0)
  await sconce.reload()
  await expect(sconce.getByRole('alert')).toContainText('There is no such invitation')
})

test('one’s own account: name, password, and signed out elsewhere', async ({ page, demo, signIn, browser }) => {
  await signIn()
  const rushlight = await joined(browser, await invite(page, demo, 'editor', 'Rush'), 'Rush')
  await rushlight.getByRole('button', { name: /^Rush, / }).click()
  await rushlight.getByRole('menuitem', { name: 'Your account' }).click()
  await expect(rushlight.getByRole('list', { name: 'Channels' })).toContainText('Lantern Loaf')
  await expectNoFaults(rushlight, artwork)
  await rushlight.getByLabel('Name').fill('Rush Light')
  await rushlight.getByRole('button', { name: 'Save' }).click()
  await expect(rushlight.getByRole('button', { name: /^Rush Light, editor/ })).toBeVisible()
  await rushlight.getByLabel('E-mail address').fill('odalys@lantern.example')
  const owner = demo.accounts.find(({ role }) => role === 'owner')
  await rushlight.getByLabel('E-mail address').fill(owner?.email ?? '')
  await rushlight.getByRole('button', { name: 'Save' }).click()
  await expect(rushlight.getByRole('alert')).toContainText('belongs to another account')

  // A second browser, on which the same person works.
  const other = await (await browser.newContext()).newPage()
  await other.goto(`${demo.url}/sign-in`)
  await other.getByLabel('E-mail address').fill('rush@lantern.example')
  await other.getByLabel('Password').fill(password)
  await other.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(other.getByRole('heading', { name: 'Boxes', exact: true })).toBeVisible()
  await rushlight.reload()
  await expect(rushlight.getByRole('list', { name: 'Browsers' }).getByRole('listitem')).toHaveCount(2)
  const change = async (now: string) => {
    await rushlight.getByLabel('As it is now').fill(now)
    await rushlight.getByLabel('From now on').fill('another loaf of letters')
    await rushlight.getByRole('button', { name: 'Change it' }).click()
  }
  await change('not that one at all')
  await expect(rushlight.getByRole('alert')).toContainText('not your password as it is now')
  await change(password)
  await expect(rushlight.getByRole('list', { name: 'Browsers' }).getByRole('listitem')).toHaveCount(1)
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  const again = (data: object) => other.request.post(`${demo.url}/api/session`, { data })
  expect((await again({ email: 'rush@lantern.example', password })).status()).toBe(401)
  expect((await again({ email: 'rush@lantern.example', password: 'another loaf of letters' })).status()).toBe(204)
})

test('the last owner stays, and only owners say who else is there', async ({ page, demo, signIn, playwright }) => {
  await signIn()
  const { members } = (await (await page.request.get(`${demo.url}/api/people`)).json()) as PeopleView
  const owner = members.find(({ isYou }) => isYou)
  const of = (request: APIRequestContext) => ({
    lower: () => request.patch(`${demo.url}/api/people/${owner?.personId}`, { data: { role: 'editor' } }),
    leave: () => request.delete(`${demo.url}/api/people/${owner?.personId}`),
    invite: () => request.post(`${demo.url}/api/people/invitations`, { data: { role: 'owner' } }),
  })
  expect((await of(page.request).lower()).status()).toBe(409)
  const refused = await of(page.request).leave()
  expect(refused.status()).toBe(409)
  expect(((await refused.json()) as { detail: string }).detail).toContain('Somebody has to own the channel')
  const editor = await playwright.request.newContext()
  const account = demo.accounts.find(({ role }) => role === 'editor')
  await editor.post(`${demo.url}/api/session`, { data: { email: account?.email, password: account?.password } })
  for (const act of Object.values(of(editor))) expect((await act()).status()).toBe(403)
  const seen = (await (await editor.get(`${demo.url}/api/people`)).json()) as PeopleView
  expect(seen.members.filter(({ email }) => email !== null)).toHaveLength(1)
  expect(seen.invitations).toEqual([])
  const made = (await (await of(page.request).invite()).json()) as MadeInvitation
  expect(made.url).toMatch(/\/join\/[0-9a-z]{32}$/)
  expect(made.invitation.expiresAtMs - made.invitation.madeAtMs).toBe(7 * 86_400_000)
  await editor.dispose()
})

/** The files of routes that change something, as the server finds them. */
function routeFiles(folder = ''): string[] {
  const at = new URL(`../../server/api/${folder}`, import.meta.url)
  return readdirSync(at, { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}${entry.name}`
    if (entry.isDirectory()) return routeFiles(`${path}/`)
    return path.endsWith('.get.ts') || path === '[...].ts' ? [] : [path]
  })
}

/** Something of the demo's channel for each name in an address. */
async function namesOf(request: APIRequestContext, demo: DemoFile): Promise<Record<string, string>> {
  const read = async <T>(path: string) => (await (await request.get(`${demo.url}/api/${path}`)).json()) as T
  const { members } = await read<PeopleView>('people')
  const { goals } = await read<{ goals: { goal: { id: string } }[] }>('goals')
  const { triggers } = await read<{ triggers: { trigger: { id: string } }[] }>('triggers')
  const { campaigns } = await read<{ campaigns: { campaign: { id: string } }[] }>('sponsors')
  return {
    ...{ boxId: demo.boxes[0]?.id ?? '', boardId: demo.boards[0]?.id ?? '', feedId: demo.feeds[0]?.id ?? '' },
    ...{ personId: members.find(({ isYou }) => !isYou)?.personId ?? '', goalId: goals[0]?.goal.id ?? '' },
    ...{ triggerId: triggers[0]?.trigger.id ?? '', campaignId: campaigns[0]?.campaign.id ?? '' },
  }
}
/** What a channel says of itself. */
async function everything(request: APIRequestContext, demo: DemoFile): Promise<unknown[]> {
  const paths = [
    'boxes',
    'people',
    'goals',
    'triggers',
    'sponsors',
    'channel/media',
    'channel/feeds',
    'channel/settings',
  ]
  return Promise.all(
    paths.map(async (path) => {
      const said = await (await request.get(`${demo.url}/api/${path}`)).text()
      // How many watch changes by itself.
      return JSON.parse(said, (key, value: unknown) => (key === 'watching' ? undefined : value)) as unknown
    }),
  )
}

test('every route that changes something asks who one is, as its line in the table says', async ({
  demo,
  playwright,
}) => {
  expect(routeFiles().sort()).toEqual(Object.keys(mutatingRoutes).sort())
  const by: Partial<Record<Role | 'nobody', APIRequestContext>> = { nobody: await playwright.request.newContext() }
  for (const role of ['owner', 'editor', 'moderator'] as const) {
    const account = demo.accounts.find((each) => each.role === role)
    const request = await playwright.request.newContext()
    await request.post(`${demo.url}/api/session`, { data: { email: account?.email, password: account?.password } })
    by[role] = request
  }
  // Nobody of the demo has only the desk: somebody is invited to it.
  const made = await by.owner?.post(`${demo.url}/api/people/invitations`, { data: { role: 'desk', note: '' } })
  const { url } = (await made?.json()) as MadeInvitation
  by.desk = await playwright.request.newContext()
  const account = { personName: 'Hand', email: 'hand@lantern.example', password }
  const joining = await by.desk.post(url.replace('/join/', '/api/invitations/'), { data: { as: 'new', ...account } })
  expect(joining.status()).toBe(201)
  const ranks = ['desk', 'moderator', 'editor', 'owner'] as const
  for (const [file, least] of Object.entries(mutatingRoutes)) {
    if (least === 'anybody') continue
    const method = /\.(post|put|patch|delete)\.ts$/.exec(file)?.[1] ?? 'post'
    const path = file
      .replace(/(?:\.(?:post|put|patch|delete))?\.ts$/, '')
      .replace(/\/?index$/, '')
      // Nothing is called that: what a route would do to it, it does to nothing.
      .replace(/\[\w+\]/g, 'none')
    const ask = async (as: Role | 'nobody') =>
      (await by[as]?.fetch(`${demo.url}/api/${path}`, { method, data: {} }))?.status()
    expect([file, await ask('nobody')]).toEqual([file, 401])
    for (const role of ranks.slice(0, ranks.indexOf(least)))
      expect([file, role, await ask(role)]).toEqual([file, role, 403])
    // Where there is something to name, whoever may do it is told that it is not there, or what is missing.
    if (path.includes('none')) expect([400, 404, 405, 409, 410, 412, 415, 422]).toContain(await ask(least))
  }
  for (const request of Object.values(by)) await request.dispose()
})

test('whoever owns another channel changes nothing of this one, by any route', async ({ demo, playwright, signIn }) => {
  const page = await signIn()
  const before = await everything(page.request, demo)
  const other = await playwright.request.newContext()
  const [owner] = demo.accounts
  await other.post(`${demo.url}/api/session`, { data: { email: owner?.email, password: owner?.password } })
  expect((await other.post(`${demo.url}/api/channels`, { data: { name: 'The other oven' } })).status()).toBe(201)
  const named = await namesOf(page.request, demo)
  for (const [file, least] of Object.entries(mutatingRoutes)) {
    const asked = /\[(\w+)\]/.exec(file)?.[1]
    if (least === 'anybody' || !asked || !(asked in named)) continue
    const method = /\.(post|put|patch|delete)\.ts$/.exec(file)?.[1] ?? 'patch'
    const path = file
      .replace(/(?:\.(?:post|put|patch|delete))?\.ts$/, '')
      .replace(/\/?index$/, '')
      .replace(/\[(\w+)\]/g, (_whole, name: string) => named[name] ?? 'none')
    const answer = await other.fetch(`${demo.url}/api/${path}`, { method, data: {} })
    expect([file, answer.status(), answer.ok()]).toEqual([file, answer.status(), false])
    expect([file, [400, 403, 404, 405, 409, 410, 412, 415, 422].includes(answer.status())]).toEqual([file, true])
  }
  // What can be read by its name cannot be read, either.
  for (const path of [`boxes/${named.boxId}`, `boxes/${named.boxId}/acts`, `goals/${named.goalId}/contributions`])
    expect((await other.get(`${demo.url}/api/${path}`)).status()).toBe(404)
  expect(await everything(page.request, demo)).toEqual(before)
  await other.dispose()
})
