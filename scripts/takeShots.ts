// Takes one picture of every main view of the demo, 1280 × 800.
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chromium, type Page } from '@playwright/test'
import sharp from 'sharp'
import { deliverNotices, followNotice } from '../test/arrange/cedar.ts'
import { redeem } from '../test/arrange/alder.ts'
import { command, setWords } from '../test/arrange/room.ts'
import { dropFiles } from '../test/arrange/fixtures.ts'
import { TestServer } from '../test/arrange/server.ts'
import { TestStudio } from '../test/arrange/studio.ts'

const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url))
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  ignoreDefaultArgs: ['--hide-scrollbars'],
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--autoplay-policy=no-user-gesture-required',
    '--disable-background-networking',
  ],
})
const viewport = { width: 1280, height: 800 }
const shoot = (page: Page, name: string) => page.screenshot({ path: `${folder}${name}.png` })
/** Two views in one picture, the second so far from the first. */
const joined = (views: readonly Buffer[], step: { left: number; top: number }, name: string) =>
  sharp({ create: { ...viewport, channels: 3, background: '#0e1726' } })
    .composite(views.map((input, at) => ({ input, left: at * step.left, top: at * step.top })))
    .png()
    .toFile(`${folder}${name}.png`)
const settle = async (page: Page, ms = 900) => {
  await page.mouse.move(640, 795)
  await page.waitForTimeout(ms)
}

const server = await TestServer.start({ THUNDERCREST_DEMO: 'night' })
const { demo } = server
const studio = await TestStudio.start(demo)
const box = demo.boxes[0]
const page = await browser.newPage({ viewport })
await page.goto(demo.url)
await page.getByRole('heading', { name: 'Sign in' }).waitFor()
await page.getByRole('button', { name: 'Odalys Fenn' }).click()
await page.getByRole('heading', { name: 'Boxes' }).waitFor()
await settle(page, 1500)

await page.goto(`${demo.url}/boxes/${box?.id}`)
await page.getByRole('button', { name: 'Raid' }).click()
await page.getByRole('button', { name: 'Second line', exact: true }).click()
await settle(page, 1500)
await shoot(page, 'score-room')
const lane = (name: string) => page.getByRole('region', { name: 'Score' }).getByRole('button', { name, exact: true })
const open = async (kind: string, part: string) => {
  await page.getByRole('button', { name: kind, exact: true }).click()
  await lane(part).click()
  await settle(page, 1500)
}
await open('Resub', 'Second line')
await page.getByRole('button', { name: 'months 12: A year of bread' }).click()
await page.getByRole('button', { name: /one of 4 cases/ }).click()
await settle(page, 1200)
await shoot(page, 'score-room-cases')
await page.getByRole('button', { name: 'Done', exact: true }).click()
// Code of one's own, with more room for it.
await page.getByRole('button', { name: 'Applause', exact: true }).click()
await command(page, 'Add code of your own')
await lane('Code').click()
const edge = page.getByRole('separator', { name: 'Width of the inspector' })
await edge.focus()
for (let step = 0; step < 6; step++) await page.keyboard.press('ArrowLeft')
await settle(page, 1500)
await shoot(page, 'score-room-code')
await edge.focus()
await page.keyboard.press('Enter')
await page.getByRole('application').focus()
await page.keyboard.press('ControlOrMeta+z')
await lane('Code').waitFor({ state: 'detached' })
await open('Follow', 'Second line')
await setWords(page, 'Second line', 'comes in from the rain')
await page.getByLabel('Size', { exact: true }).fill('68')
await page.keyboard.press('Tab')
await page.getByRole('button', { name: /^Put on air/ }).click()
await settle(page)
await page.getByRole('button', { name: 'Keep tuning' }).click()
await settle(page)

await page.goto(`${demo.url}/boards/board-counter`)
await page.locator('[data-stage]').getByRole('progressbar').waitFor()
await settle(page, 2500)
await shoot(page, 'board')

// Transparent on air; here it stands on a dark room, so that the picture shows what viewers see.
const shown = await browser.newPage({ viewport: { width: 1280, height: 720 } })
await shown.goto(box?.sourceUrl ?? '')
await shown.locator('html[data-state=waiting]').waitFor()
await shown.evaluate(() => (document.documentElement.style.background = '#2b3346'))
await redeem(demo, 'Golden crust draw', '01J0000000000000000000CR5T', 'MarrowHat')
await shown.locator('[data-prize]:not([data-prize=""])').waitFor()
await settle(shown, 1500)
await shown.screenshot({ path: `${folder}source.png` })
await shown.locator('html[data-state=waiting]').waitFor()
await shown.close()

const sources = await Promise.all([
  browser.newPage({ viewport: { width: 1920, height: 1080 } }),
  browser.newPage({ viewport: { width: 1920, height: 1080 } }),
])
for (const source of sources) await source.goto(box?.sourceUrl ?? '')
await settle(page, 5000)
const at = new Date().toISOString()
const who = (name: string) => ({ ref: name, shown_as: name })
await deliverNotices(
  demo,
  {
    what: 'tip',
    ref: 't-1',
    at,
    who: who('Tomé Brandão'),
    sum: '25.00',
    money: 'EUR',
    words: 'o pão de centeio é o melhor da noite',
  },
  { what: 'raid', ref: 'r-1', at, who: who('caraway_owl'), brought: 64 },
  followNotice('🥐wisp'),
  followNotice('نورا_خبز'),
  followNotice('the_person_with_an_exceptionally_long_display_name'),
)
await page.goto(`${demo.url}/desk?box=${box?.id}`)
await page.getByText(/^\d\.\d\d \/ /).waitFor()
await settle(page, 2500)
await shoot(page, 'desk')
await page.goto(`${demo.url}/policy?box=${box?.id}`)
await settle(page, 3500)
await shoot(page, 'policy')
await page.goto(`${demo.url}/speech`)
await page
  .getByLabel('A message to try')
  .fill('HURRY UP WITH THE CRUSTTTTTTT b0ll0cks 11111111111111111111 www.free-loaves.example')
await page.getByText('An address becomes “link”').waitFor()
await settle(page, 1500)
await shoot(page, 'speech')
await page.goto(`${demo.url}/boxes/new`)
await page.getByRole('radio', { name: /Jelly parade/ }).click()
await page.waitForTimeout(2600)
await shoot(page, 'gallery')
await page.goto(`${demo.url}/media`)
await page.getByRole('button', { name: /^Rush-hour brass/ }).click()
await dropFiles(page, 'main input[type=search]', [
  {
    name: 'half a picture.png',
    bytes: readFileSync(new URL('../test/media/files/still.png', import.meta.url)).subarray(0, 90),
  },
  {
    name: 'steam.svg',
    bytes: Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="120" height="90"><g fill="none" stroke="#F3ECDD" stroke-width="6" stroke-linecap="round"><path d="M40 70c-10-14 10-20 0-36"/><path d="M60 74c-10-14 10-24 0-44"/><path d="M80 70c-10-14 10-20 0-36"/></g></svg>',
    ),
  },
])
await page.getByText('half a picture.png was not taken').waitFor()
await settle(page, 4000)
await shoot(page, 'media')
await page.goto(`${demo.url}/feeds`)
await page.getByRole('group', { name: 'Simulated Alder' }).getByRole('button', { name: 'Play it' }).click()
await page.getByText('6 events accepted.').waitFor()
await settle(page)

// What viewers leave, on the page of the channel's own, and what comes of it.
const viewer = await browser.newPage({ viewport })
await viewer.goto(`${demo.url}/tip/channel-lantern-loaf`)
await viewer.getByLabel('Your name').fill('Tomé Brandão')
await viewer.getByLabel('Your message').fill('o pão de centeio é o melhor da noite')
await viewer.getByText('oven bell').click()
await viewer.getByText(/^It is read aloud/).waitFor()
await settle(viewer, 3500)
await shoot(viewer, 'tip')
await viewer.close()
// What a night makes of a box that has little to say about floods, and what would help.
await page.goto(`${demo.url}/rehearsal?box=${demo.boxes[1]?.id}`)
await page.getByRole('button', { name: 'Make it the draft' }).waitFor()
// High enough for what is seen and for charts of it.
await page.setViewportSize({ ...viewport, height: 1120 })
await page.getByRole('button', { name: /^Play from/ }).click()
await page.getByRole('region', { name: 'The night as it would be seen' }).locator('[data-part]').first().waitFor()
await page.waitForTimeout(2_000)
await page.getByRole('button', { name: 'Pause' }).click()
await settle(page, 1500)
await shoot(page, 'rehearsal')
await page.setViewportSize(viewport)
// Every case with its samples: all of them are drawn, and looked at for flashes.
await page.goto(`${demo.url}/rehearsal/proofs?box=${box?.id}`)
await page.getByText(/· drawn in \d+ s/).waitFor({ timeout: 600_000 })
await page.getByRole('button', { name: /^All/ }).click()
await settle(page, 1500)
await shoot(page, 'proofs')
const low = await browser.newPage({
  viewport: { width: viewport.width, height: viewport.height / 2 },
  storageState: await page.context().storageState(),
})
const stacked: Buffer[] = []
for (const [path, heading] of [
  ['/goals', 'Goals'],
  ['/tips', 'Tips'],
  ['/boxes', 'Boxes'],
  ['/feeds', 'Feeds'],
] as const) {
  await low.goto(demo.url + path)
  await low.getByRole('heading', { name: heading, exact: true }).waitFor()
  await settle(low, 1500)
  stacked.push(await low.screenshot())
}
await low.close()
const below = { left: 0, top: viewport.height / 2 }
await joined(stacked.slice(0, 2), below, 'goals-and-tips')
await joined(stacked.slice(2), below, 'boxes-and-feeds')

// What has been: the night, and what is found in it.
await page.goto(`${demo.url}/after`)
await page.getByRole('link', { name: /24 November/ }).click()
await page.getByText('904 things happened').waitFor()
await settle(page, 1500)
await shoot(page, 'after')
await page.goto(`${demo.url}/history?from=2026-11-24&until=2026-11-25&words=zoe`)
await page.getByText('that is all').waitFor()
await settle(page)
await shoot(page, 'history')

// The studio shows the box in its scene while a viewer's flour cloud is over it.
await page.goto(`${demo.url}/boxes/${box?.id}`)
await page.getByRole('button', { name: 'Source', exact: true }).click()
const dialog = page.getByRole('dialog', { name: 'Source address' })
for (const scene of ['Oven cam', 'Bench cam']) await dialog.getByLabel(scene).check()
await dialog.getByRole('button', { name: 'Put it there' }).click()
await dialog.getByText('with the right size').waitFor()
await page.keyboard.press('Escape')
await page.goto(`${demo.url}/triggers?trigger=oven`)
await settle(page, 1500)
await shoot(page, 'triggers')
const screen = await browser.newPage({ viewport })
await screen.goto(studio.url)
await screen.frameLocator('#programme iframe').locator('html[data-state]').waitFor({ state: 'attached' })
const chat = await browser.newPage({ viewport })
await chat.goto(demo.chatUrl)
for (const [who, text] of [
  ['pip_rye', '!crumb'],
  ['Zoë', '!bell'],
] as const) {
  await chat.getByLabel('Who you are').selectOption(who)
  await chat.getByLabel('Say something').fill(text)
  await chat.getByLabel('Say something').press('Enter')
}
await chat.getByLabel('Who you are').selectOption('MarrowHat')
await chat.getByRole('button', { name: 'Redeem Flour cloud' }).click()
await screen.getByRole('button', { name: 'Shown: Flour cloud' }).waitFor()
await settle(screen, 1800)
await shoot(screen, 'studio')
studio.end()
await browser.close()
await server.remove()
process.exit(0)
