import { readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { artwork, expectNoFaults } from '../arrange/faults.ts'
import { expect, test } from '../arrange/fixtures.ts'
import { operate } from '../arrange/operate.ts'
import type { DemoFile } from '../arrange/server.ts'

test.use({ serverFor: 'account' })

/** By a name: passkeys know sites by their names, and 127.0.0.1 is none. */
const named = ({ url }: DemoFile) => url.replace('127.0.0.1', 'localhost')

async function signInAt(page: Page, url: string, demo: DemoFile): Promise<void> {
  await page.goto(`${url}/sign-in`)
  await page.getByLabel('E-mail address').fill(demo.accounts[0]?.email ?? '')
  await page.getByLabel('Password').fill(demo.accounts[0]?.password ?? '')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Boxes', exact: true })).toBeVisible()
}

test('a passkey is made, signs in without a password, and is refused once it is taken away', async ({ page, demo }) => {
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('WebAuthn.enable')
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      ...{ protocol: 'ctap2', transport: 'internal', hasResidentKey: true, hasUserVerification: true },
      ...{ isUserVerified: true, automaticPresenceSimulation: true },
    },
  })
  const url = named(demo)
  await signInAt(page, url, demo)
  await page.goto(`${url}/account`)
  await page.getByLabel('Which device').fill('The laptop on the counter')
  await page.getByRole('button', { name: 'Add a passkey' }).click()
  const listed = page.getByRole('list', { name: 'Passkeys of yours' }).getByRole('listitem')
  await expect(listed).toContainText('The laptop on the counter')
  // Looked at while no notice comes or goes: half seen, none has enough contrast.
  await page.reload()
  await expect(listed).toContainText('The laptop on the counter')
  await expectNoFaults(page, artwork)
  // The same device again is told so.
  await page.getByLabel('Which device').fill('The same')
  await page.getByRole('button', { name: 'Add a passkey' }).click()
  await expect(page.getByText('This device has a passkey for you already.')).toBeVisible()

  await page.request.delete(`${url}/api/session`)
  await page.goto(`${url}/sign-in?to=/account`)
  await page.getByRole('button', { name: 'Sign in with a passkey' }).press('Enter')
  await expect(listed).toContainText('used')
  await listed.getByRole('button', { name: 'Take away: The laptop on the counter' }).click()
  await expect(listed).toHaveCount(0)
  await page.request.delete(`${url}/api/session`)
  await page.goto(`${url}/sign-in`)
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click()
  await expect(page.getByText('This passkey is not known here')).toBeVisible()
})

test('an answer that was not asked for, or is another’s, signs nobody in', async ({ page, demo }) => {
  const answer = {
    ...{ id: 'made-up', rawId: 'made-up', type: 'public-key' },
    response: { clientDataJSON: 'e30', authenticatorData: 'e30', signature: 'e30' },
  }
  const asked = (data: unknown) => page.request.post(`${demo.url}/api/session/passkey`, { data })
  expect((await asked({ answer })).status()).toBe(409)
  expect((await page.request.post(`${demo.url}/api/session/passkey-options`)).status()).toBe(200)
  expect((await asked({ answer })).status()).toBe(401)
  // The question is answered once.
  expect((await asked({ answer })).status()).toBe(409)
})

test('whoever forgot their password gets a link from whoever runs the server, once', async ({
  page,
  demo,
  server,
  browser,
}) => {
  const editor = demo.accounts.find(({ role }) => role === 'editor')
  // Signed in somewhere else, with the password that was.
  const elsewhere = await (await browser.newContext()).newPage()
  await elsewhere.request.post(`${demo.url}/api/session`, {
    data: { email: editor?.email, password: editor?.password },
  })
  const printed = await operate('password', editor?.email ?? '', '--data', server.dataFolder)
  const link = /http\S+/.exec(printed)?.[0] ?? ''
  expect(link).toContain(`${demo.url}/password/`)
  await page.goto(link)
  await expect(page.getByText(editor?.email ?? '')).toBeVisible()
  await expectNoFaults(page, artwork)
  await page.getByLabel('Password').fill('short')
  await page.getByRole('button', { name: 'Set it and sign in' }).click()
  await expect(page.getByLabel('Password')).toHaveAttribute('aria-invalid', 'true')
  await page.getByLabel('Password').fill('a loaf of eleven letters')
  await page.getByLabel('Password').press('Enter')
  await expect(page.getByRole('heading', { name: 'Boxes', exact: true })).toBeVisible()
  expect((await elsewhere.request.get(`${demo.url}/api/account`)).status()).toBe(401)
  await page.goto(link)
  await expect(page.getByRole('alert')).toContainText('has been used')
  for (const [password, status] of [
    [editor?.password, 401],
    ['a loaf of eleven letters', 204],
  ] as const)
    expect(
      (await elsewhere.request.post(`${demo.url}/api/session`, { data: { email: editor?.email, password } })).status(),
    ).toBe(status)
  await expect(operate('password', 'nobody@lantern.example', '--data', server.dataFolder)).rejects.toThrow('no account')
})

test('the operator’s doors open to nobody else', async ({ page, demo, signIn, server }) => {
  await signIn()
  const shown: Record<string, string>[] = [
    {},
    { authorization: `Bearer ${demo.apiKey}` },
    { authorization: 'Bearer x' },
  ]
  for (const path of ['operator/backup', 'operator/password-links']) {
    const method = path.endsWith('backup') ? 'GET' : 'POST'
    for (const headers of shown)
      expect(
        (
          await page.request.fetch(`${demo.url}/api/${path}`, {
            method,
            headers,
            data: method === 'POST' ? { email: 'x@y.example' } : undefined,
          })
        ).status(),
      ).toBe(401)
  }
  // Figures of the server: from elsewhere with the operator's token, and with nothing else.
  const { token } = JSON.parse(readFileSync(join(server.dataFolder, 'operator.json'), 'utf8')) as { token: string }
  expect(statSync(join(server.dataFolder, 'operator.json')).mode & 0o077).toBe(0)
  const ask = async (shown: string) =>
    (
      await fetch(`${demo.url}/metrics`, {
        headers: { 'x-forwarded-for': '203.0.113.9', authorization: `Bearer ${shown}` },
      })
    ).status
  expect([await ask(demo.apiKey), await ask(token)]).toEqual([401, 200])
})
