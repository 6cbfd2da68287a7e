import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { readdirSync, readFileSync } from 'node:fs'
import { usualVoice } from '../../core/speech/voiceChoice.ts'
import { boxOnAir } from '../arrange/boxOnAir.ts'
import { expectNoFaults } from '../arrange/faults.ts'
import { expect, recordOutput, test, testWithOwnServer, timePlays, untilState } from '../arrange/fixtures.ts'
import { box, part, putOnAir } from '../arrange/room.ts'
import { loudness, setSpeech, spokenAlert, tip, untilVoicesSpeak } from '../arrange/voices.ts'

// What is heard is recorded, which the policy of a source's page does not allow.
test.use({ serverFor: 'speech', bypassCSP: true })
/** What is read is shown when it has been spoken: on a machine full of tests that takes its time. */
const spokenWithin = { timeout: 45_000 }
/** What is louder than this is a voice; a breath between two words is not. */
const heardAbove = 0.01
const unlimited = { leastMinor: 0, whose: 'everyone' as const, perViewer: 0, perViewerMinutes: 10, repeatMinutes: 0 }

// First, so that nothing of the others waits in the demo's box.
test('a voice is put into an alert: its lane, its words, the score as long as it speaks, on air as in the room', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.slow()
  await signIn('owner')
  await page.goto(`${box(demo)}?kind=follow`)
  await page.getByRole('button', { name: 'Add a voice that reads' }).click()
  const lanes = page.getByRole('region', { name: 'Score' })
  await expect(lanes.getByRole('button', { name: 'Voice', exact: true })).toBeVisible()
  await expect(page.getByText('This sample gives it nothing to read.')).toBeVisible()
  await page.getByLabel('What the voice says of the event').click()
  await page.keyboard.insertText(
    '{name} joins the night shift, and while the oven warms, here is a very long welcome that nobody has to read because a voice says all of it aloud',
  )
  await expect(page.getByRole('button', { name: 'Hear the line' })).toBeVisible()
  // Seven seconds are what the alert lasts by itself.
  await expect(page.getByText(/^now (8|9|1\d)\.\d\d s$/)).toBeVisible()
  await page.getByRole('slider', { name: 'Other sounds go down while it speaks' }).focus()
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByText('−15 dB')).toBeVisible()
  await lanes.getByRole('button', { name: 'Headline', exact: true }).click()
  await page.getByRole('button', { name: /^Read aloud/ }).click()
  await page.getByRole('button', { name: /^Words light up/ }).click()
  await page.getByRole('option', { name: 'all that was read so far' }).click()
  await putOnAir(page, 2)
  const source = await context.newPage()
  const recorded = await recordOutput(source)
  await source.goto(demo.boxes[0]?.sourceUrl ?? '')
  await untilState(source, 'waiting')
  await page.getByRole('button', { name: 'Send a test' }).click()
  await expect(part(page, 'headline')).toBeAttached()
  await expect(source.locator('[data-part=second]')).toHaveText('joins the night shift')
  await recorded()
  await source.waitForTimeout(3000)
  const { channels, rateHz } = await recorded()
  expect(Math.max(...loudness(channels[0], rateHz))).toBeGreaterThan(heardAbove)
  await source.close()
})

test('a tip with a message is heard on the source page while it plays, as long as it takes, and its words light up', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.slow()
  await signIn('owner')
  const { sourceUrl } = await boxOnAir(page, demo, 'Voices', [spokenAlert()])
  await setSpeech(page, demo, { limits: unlimited })
  await untilVoicesSpeak(page, demo)
  const source = await context.newPage()
  const recorded = await recordOutput(source)
  const lasted = await timePlays(source)
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  await source.waitForTimeout(600)
  const before = await recorded()
  expect(Math.max(...loudness(before.channels[0], before.rateHz))).toBeLessThan(heardAbove)

  const lit = source.locator('[data-part=message] span').filter({ hasText: 'Porto' })
  // On a machine full of tests a voice may come later than a play waits for it: then it is shown unread.
  await expect(async () => {
    await untilState(source, 'waiting')
    await recorded()
    await tip(page, demo, 'Juno Flint', 'good evening from Porto, the rye looks great tonight')
    await untilState(source, 'playing')
    await expect(lit).toHaveCSS('color', 'rgb(255, 0, 0)')
  }).toPass({ timeout: 90_000 })
  await expect(source.locator('[data-part=message]')).toHaveText(/good evening from Porto/)
  await untilState(source, 'waiting')
  const lastedS = (await lasted()).at(-1) ?? 0
  const { channels, rateHz } = await recorded()
  const heardS = loudness(channels[0], rateHz).filter((loud) => loud > heardAbove).length / 10
  expect(heardS).toBeGreaterThan(3)
  // Two and a half seconds are what the alert lasts without it.
  expect(lastedS).toBeGreaterThan(heardS)
  await source.close()
})

test('what will be said is read at the desk before it is; it is let through, shown unread, or silenced while it is read', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.slow()
  await signIn('owner')
  const { id, sourceUrl } = await boxOnAir(page, demo, 'Approved voices', [spokenAlert()])
  await setSpeech(page, demo, { approvesMessages: true, limits: unlimited })
  const source = await context.newPage()
  const recorded = await recordOutput(source)
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  await signIn('moderator')
  await page.goto(`${demo.url}/desk?box=${id}`)
  const waiting = page.getByRole('region', { name: 'Waiting' })
  const onAir = page.getByRole('region', { name: 'On air' })

  await tip(
    page,
    demo,
    'MarrowHat',
    'please read 111111111111111111111 this long message aloud, it goes on and on, with the rye, and the walnuts, and the kettle, and the lantern',
  )
  await expect(waiting.getByText(/please read a very long number this long message/)).toBeVisible(spokenWithin)
  await expect(waiting.getByText('for you', { exact: true })).toBeVisible()
  await source.waitForTimeout(1200)
  expect(await source.evaluate(() => document.documentElement.dataset.state)).toBe('waiting')
  await waiting.getByRole('button', { name: 'Let it be read' }).click()
  await untilState(source, 'playing')
  await recorded()
  await source.waitForTimeout(1500)
  const speaking = await recorded()
  expect(Math.max(...loudness(speaking.channels[0], speaking.rateHz))).toBeGreaterThan(heardAbove)
  await page.keyboard.press('v')
  await expect(onAir.getByText('Silenced by tallowmoth.')).toBeVisible()
  await recorded()
  await source.waitForTimeout(1500)
  const silent = await recorded()
  expect(await source.evaluate(() => document.documentElement.dataset.state)).toBe('playing')
  expect(Math.max(...loudness(silent.channels[0], silent.rateHz))).toBeLessThan(heardAbove)
  await page.keyboard.press('s')
  await untilState(source, 'waiting')

  await tip(page, demo, 'kneadybeast', 'this one nobody wants to hear')
  await waiting.getByRole('button', { name: 'Show it unread' }).click()
  await untilState(source, 'playing')
  await expect(source.getByText('this one nobody wants to hear')).toBeVisible()
  await untilState(source, 'waiting')
  await expect(
    page.getByRole('region', { name: 'Log' }).getByText('Not read: tallowmoth said so.').first(),
  ).toBeVisible()
  // Whoever minds the desk can switch all of them off at once.
  await page.getByRole('button', { name: 'Switch voices off' }).click()
  await expect(page.getByRole('button', { name: 'Switch voices on' })).toBeVisible()
  await tip(page, demo, 'pip_rye', 'is this read')
  await untilState(source, 'playing')
  await expect(onAir.getByText(/Reading aloud is switched off/)).toBeVisible()
  await page.getByRole('button', { name: 'Switch voices on' }).click()
  await expect(page.getByRole('button', { name: 'Switch voices off' })).toBeVisible()
  await source.close()
  await signIn('owner')
  await setSpeech(page, demo, {})
})

test('whoever writes too little, too often or the same again is shown and not read, and the desk says why', async ({
  page,
  demo,
  signIn,
  context,
}) => {
  test.slow()
  await signIn('owner')
  const { id, sourceUrl } = await boxOnAir(page, demo, 'Limited voices', [spokenAlert()])
  await setSpeech(page, demo, {
    limits: { leastMinor: 200, whose: 'everyone', perViewer: 2, perViewerMinutes: 10, repeatMinutes: 5 },
  })
  await page.request.put(`${demo.url}/api/boxes/${id}/held`, { data: { isHeld: true } })
  const source = await context.newPage()
  await source.goto(sourceUrl)
  await untilState(source, 'waiting')
  await page.goto(`${demo.url}/desk?box=${id}`)
  const waiting = page.getByRole('region', { name: 'Waiting' })
  await tip(page, demo, 'caraway_owl', 'too little', 199)
  await expect(waiting.getByText('The message is not read: The amount is below what is read here.')).toBeVisible(
    spokenWithin,
  )
  await tip(page, demo, 'caraway_owl', 'first one')
  await tip(page, demo, 'sootkettle', 'FIRST one!')
  await expect(waiting.getByText('The message is not read: The same was read less than 5 minutes ago.')).toBeVisible(
    spokenWithin,
  )
  await tip(page, demo, 'caraway_owl', 'second one')
  await tip(page, demo, 'caraway_owl', 'third one')
  await expect(waiting.getByText('The message is not read: caraway_owl was read 2 times in 10 minutes.')).toBeVisible(
    spokenWithin,
  )
  await page.request.post(`${demo.url}/api/boxes/${id}/tests`, { data: { kind: 'tip' } })
  // Tests never count, and are never limited.
  await expect(waiting.getByText(/o pão de centeio é o melhor da noite/).first()).toBeVisible(spokenWithin)
  await source.close()
  await setSpeech(page, demo, {})
})

test('the bench shows each step, lets it be heard, and what each level stops; by mouse and by keys', async ({
  page,
  demo,
  signIn,
}) => {
  test.slow()
  await signIn('owner')
  await page.goto(`${demo.url}/speech`)
  await expect(page.getByRole('heading', { name: 'Speech desk' })).toBeVisible()
  const tried = page.getByLabel('A message to try')
  await tried.fill('WHAT A B0LL0CKS www.free-loaves.example 111111111111111111')
  const steps = page.getByRole('region', { name: 'Try it' })
  await expect(steps.getByText('An address becomes “link”')).toBeVisible()
  await expect(steps.locator('del', { hasText: '111111111111111111' })).toBeVisible()
  await expect(steps.getByText('WHAT A link a very long number', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Hear it' }).click()
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'abuse to try' }).click()
  await page
    .getByRole('button', { name: /tosser$/ })
    .first()
    .focus()
  await page.keyboard.press('Enter')
  await expect(steps.getByText('such a', { exact: true })).toBeVisible()

  const levels = page.getByRole('radiogroup', { name: 'Level' })
  await levels.getByRole('radio', { name: 'careful' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(levels.getByRole('radio', { name: 'strict' })).toBeChecked()
  await expect(steps.getByText('Nothing is read.')).toBeVisible()
  await expect(steps.getByText('It is stopped as a whole')).toBeVisible()
  const shares = page.getByRole('region', { name: 'What it stops' })
  await expect(shares.getByRole('row', { name: /innocent touched/ })).toContainText('0/50')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(levels.getByRole('radio', { name: 'careful' })).toBeChecked()

  await page.getByRole('button', { name: 'Your words' }).click()
  await page.getByLabel('As it is written').fill('tosser')
  await page.getByLabel('As it is spoken').fill('thrower')
  await page.getByRole('button', { name: 'Add the pronunciation' }).click()
  await page.getByLabel('Allow a word', { exact: true }).fill('tosser')
  await page.keyboard.press('Enter')
  await expect(steps.getByText('such a thrower', { exact: true })).toBeVisible(spokenWithin)
  await expectNoFaults(page, '[data-sonner-toaster]')
  await setSpeech(page, demo, {})
})

testWithOwnServer.describe('a voice that breaks', () => {
  testWithOwnServer('costs the voice, never the alert; it is said, and the next one is heard', async ({ browser }) => {
    testWithOwnServer.slow()
    const { TestServer } = await import('../arrange/server.ts')
    const hung = createServer(
      (request, response) =>
        void (request.url === '/voices'
          ? response.end('{"voices":[{"id":"v","language":"en","name":"Hung"}]}')
          : undefined),
    ).listen(0, '127.0.0.1')
    await new Promise((resolve) => hung.once('listening', resolve))
    const server = await TestServer.start({
      THUNDERCREST_DEMO: '1',
      THUNDERCREST_VOICES: `hung=http://127.0.0.1:${(hung.address() as AddressInfo).port}`,
    })
    try {
      const page = await browser.newPage()
      await page.request.post(`${server.url}/api/session`, {
        data: { email: server.demo.accounts[0]?.email, password: server.demo.accounts[0]?.password },
      })
      const { id, sourceUrl } = await boxOnAir(page, server.demo, 'Broken voices', [spokenAlert()])
      const source = await browser.newPage()
      const recorded = await recordOutput(source)
      await source.goto(sourceUrl)
      await untilState(source, 'waiting')
      await setSpeech(page, server.demo, {
        guessesLanguage: false,
        messageVoice: { ...usualVoice, engine: 'hung', voice: 'v' },
      })
      await tip(page, server.demo, 'Zoë', 'is anybody there')
      await expect(source.getByText('is anybody there')).toBeVisible()
      await untilState(source, 'waiting')
      await page.goto(`${server.url}/desk?box=${id}`)
      const log = page.getByRole('region', { name: 'Log' })
      // A voice is given up some time after its turn: later still on a machine that is busy. What is kept is looked at.
      await expect(async () => {
        await page.reload()
        await expect(log.getByText(/voice (was not ready in time|took too long|service does not)/)).toBeVisible({
          timeout: 6_000,
        })
      }).toPass({ timeout: 80_000 })

      await setSpeech(page, server.demo, {})
      // The engine's own process dies; whoever asks next starts it again.
      for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
        const line = (() => {
          try {
            return readFileSync(`/proc/${pid}/cmdline`, 'utf8')
          } catch {
            return ''
          }
        })()
        const parent = (() => {
          try {
            return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ')[1]
          } catch {
            return ''
          }
        })()
        if (line.includes('espeak-ng') && parent === String(server.pid)) process.kill(Number(pid), 'SIGKILL')
      }
      await untilVoicesSpeak(page, server.demo)
      // On a machine that has other things to do, a voice that was just started may be late once more.
      await expect(async () => {
        await untilState(source, 'waiting')
        await recorded()
        await tip(page, server.demo, 'Zoë', 'now I am heard again')
        await untilState(source, 'playing')
        await untilState(source, 'waiting')
        const { channels, rateHz } = await recorded()
        expect(Math.max(...loudness(channels[0], rateHz))).toBeGreaterThan(heardAbove)
      }).toPass({ timeout: 60_000 })
    } finally {
      await server.remove()
      hung.close()
    }
  })
})
