import { expect } from '@playwright/test'
import type { DemoFile } from './server.ts'

/** Has a box of the demo show everything by itself, as it comes, in its full length: for tests of what happens to single alerts. */
export const oneByOne = (demo: DemoFile, index = 0): Promise<void> => rule(demo, [], index)

/** Puts another policy of a box of the demo on air. */
export async function rule(demo: DemoFile, policy: readonly object[], index = 0): Promise<void> {
  const { email, password } = demo.accounts.find(({ role }) => role === 'owner') ?? {}
  const send = (method: string, path: string, body?: object, cookie = '') =>
    fetch(demo.url + path, {
      method,
      headers: { 'content-type': 'application/json', origin: demo.url, cookie },
      ...(body ? { body: JSON.stringify(body) } : {}),
    })
  const signedIn = await send('POST', '/api/session', { email, password })
  const cookie = signedIn.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ')
  const path = `/api/boxes/${demo.boxes[index]?.id}`
  const { revision } = (await (await send('GET', path, undefined, cookie)).json()) as { revision: number }
  const patches = [{ op: 'replace', path: ['policy'], value: policy }]
  expect((await send('PATCH', `${path}/draft`, { baseRevision: revision, patches }, cookie)).status).toBe(200)
  expect((await send('POST', `${path}/versions`, { revision: revision + 1 }, cookie)).status).toBe(201)
}
