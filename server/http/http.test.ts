import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { createApp, defineEventHandler, toNodeListener } from 'h3'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import * as z from 'zod'
import { TooBusyError } from '../ingest/groupCommit.ts'
import errorHandler from '../errorHandler.ts'
import { problemError } from '../system/problemError.ts'
import { readBounded } from './readBounded.ts'
import { readChecked } from './readChecked.ts'

const body = z.object({ name: z.string().min(1, 'a name, please'), tier: z.int().max(3) })

describe('reading requests and answering with problems', () => {
  let server: Server
  let url = ''

  beforeAll(async () => {
    const app = createApp({ onError: errorHandler })
    app.use(
      '/checked',
      defineEventHandler((event) => readChecked(event, body)),
    )
    app.use(
      '/bounded',
      defineEventHandler(async (event) => ({ length: (await readBounded(event, 1000)).length })),
    )
    app.use(
      '/busy',
      defineEventHandler(() => {
        throw new TooBusyError('full')
      }),
    )
    app.use(
      '/broken',
      defineEventHandler(() => {
        throw new Error('secret detail of the database')
      }),
    )
    app.use(
      '/refused',
      defineEventHandler(() => {
        throw problemError(403, 'This needs the role owner.')
      }),
    )
    server = createServer(toNodeListener(app)).listen(0, '127.0.0.1')
    await new Promise((resolve) => server.once('listening', resolve))
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  })
  afterAll(() => void server.close())

  const post = (path: string, content: string, type = 'application/json') =>
    fetch(url + path, { method: 'POST', headers: { 'content-type': type }, body: content })
  const problemOf = async (answer: Response) =>
    (await answer.json()) as { status: number; detail: string; issues?: { path: string; message: string }[] }

  it('gives what fits', async () => {
    expect(await (await post('/checked', '{"name":"Zoë","tier":2,"extra":1}')).json()).toEqual({ name: 'Zoë', tier: 2 })
  })

  it('says what does not fit, with every path', async () => {
    const answer = await post('/checked', '{"name":"","tier":9}')
    expect(answer.status).toBe(422)
    expect(answer.headers.get('content-type')).toBe('application/problem+json')
    const problem = await problemOf(answer)
    expect(problem.detail).toBe('a name, please')
    expect(problem.issues?.map((issue) => issue.path)).toEqual(['name', 'tier'])
  })

  it.each([
    ['no JSON', '{"name":', 'application/json', 400],
    ['a form of another site', 'name=x', 'application/x-www-form-urlencoded', 415],
    ['text that only looks like JSON', '{}', 'text/plain', 415],
  ])('refuses %s', async (_what, content, type, status) =>
    expect((await post('/checked', content, type)).status).toBe(status),
  )

  it('counts bytes, not letters, and stops where it is too much', async () => {
    expect((await post('/bounded', 'x'.repeat(1000))).status).toBe(200)
    expect((await post('/bounded', 'ã'.repeat(501))).status).toBe(413)
  })

  it('stops a body that hides its length', async () => {
    const endless = new ReadableStream({
      pull(controller) {
        controller.enqueue(new TextEncoder().encode('x'.repeat(600)))
      },
    })
    const answer = await fetch(`${url}/bounded`, {
      method: 'POST',
      body: endless,
      duplex: 'half',
    } as RequestInit).catch(() => null)
    // The connection may be cut before the answer is read; what must not happen is that all of it is taken.
    if (answer) expect(answer.status).toBe(413)
  })

  it('answers 503 when it is too busy, with when to try again', async () => {
    const answer = await fetch(`${url}/busy`)
    expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '2'])
    expect((await problemOf(answer)).detail).toContain('Nothing was accepted')
  })

  it('lets no inner detail out', async () => {
    const answer = await fetch(`${url}/broken`)
    const text = await answer.text()
    expect(answer.status).toBe(500)
    expect(text).not.toMatch(/secret|stack|\.ts/)
  })

  it('passes a refusal on as it was written', async () => {
    expect(await problemOf(await fetch(`${url}/refused`))).toMatchObject({
      status: 403,
      detail: 'This needs the role owner.',
    })
  })
})
