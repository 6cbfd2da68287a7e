// The simulated studio: a broadcast program's stand-in, with a page of its own. It links to a channel as any plug-in would.
import { createHmac } from 'node:crypto'
import { createServer, type ServerResponse } from 'node:http'
import WebSocket from 'ws'
import { simulatedStudioName, studioProtocol, type StudioOrder } from '../../contract/studioLink.ts'
import { studioPage } from './page.ts'
import { bakeryStudio, obey, scenesOf, type StandingSource } from './studioScene.ts'

const {
  STUDIO_LINK = '',
  STUDIO_SECRET = '',
  STUDIO_PORT = '4411',
  STUDIO_HOST = '127.0.0.1',
  STUDIO_SOURCES = '[]',
} = process.env
const channel = new URL(STUDIO_LINK).searchParams.get('channel') ?? ''

let state = bakeryStudio(JSON.parse(STUDIO_SOURCES) as StandingSource[])
let socket: WebSocket | null = null
let isPlugged = true
let isLinked = false
const pages = new Set<ServerResponse>()

function tellPages(): void {
  const text = `data: ${JSON.stringify({ ...state, isPlugged, isLinked })}\n\n`
  for (const page of pages) page.write(text)
}

function changed(): void {
  tellPages()
  if (isLinked) send({ method: 'scenes.changed', params: scenesOf(state) })
}

let requests = 0
const waiting = new Map<number, (result: unknown) => void>()
function send(message: object): void {
  if (socket?.readyState === WebSocket.OPEN) socket.send(JSON.stringify({ jsonrpc: '2.0', ...message }))
}
function ask(method: string, params: object): Promise<unknown> {
  const id = ++requests
  return new Promise((resolve) => {
    waiting.set(id, resolve)
    send({ id, method, params })
  })
}

interface Incoming {
  id?: number | string
  method?: StudioOrder['method']
  params?: StudioOrder['params']
  result?: unknown
}

function hear(message: Incoming): void {
  if (message.method === undefined) {
    if (typeof message.id === 'number') waiting.get(message.id)?.(message.result)
    return
  }
  const obeyed = obey(state, { method: message.method, params: message.params } as StudioOrder)
  if (!obeyed.ok) return send({ id: message.id, error: { code: obeyed.code, message: obeyed.message } })
  const before = state
  state = obeyed.state
  send({ id: message.id, result: message.method === 'scenes.list' ? scenesOf(state) : { ok: true } })
  if (message.method === 'scenes.list') {
    isLinked = true
    tellPages()
  } else if (state !== before) changed()
}

async function prove(): Promise<void> {
  const hello = await ask('hello', { protocol: studioProtocol, name: simulatedStudioName, channel })
  const { challenge } = hello as { challenge: string }
  await ask('prove', { proof: createHmac('sha256', STUDIO_SECRET).update(challenge).digest('hex') })
}

const againAfterMs = 1_000
function link(): void {
  if (!isPlugged) return
  const opening = new WebSocket(STUDIO_LINK)
  socket = opening
  opening.on('open', () => void prove())
  opening.on('message', (data) => hear(JSON.parse((data as Buffer).toString()) as Incoming))
  opening.on('error', () => opening.close())
  opening.on('close', () => {
    if (socket !== opening) return
    socket = null
    isLinked = false
    tellPages()
    setTimeout(link, againAfterMs)
  })
}

/** What somebody does by hand on its page. */
function byHand({ do: act, name }: { do?: string; name?: string }): void {
  if (act === 'take' && name !== undefined && state.scenes.includes(name)) {
    state = { ...state, programme: name, preview: state.programme }
    changed()
  } else if (act === 'preview' && name !== undefined && state.scenes.includes(name)) {
    state = { ...state, preview: name }
    tellPages()
  } else if (act === 'toggle') {
    state = {
      ...state,
      layers: state.layers.map((each) => (each.name === name ? { ...each, isShown: !each.isShown } : each)),
    }
    changed()
  } else if (act === 'live') {
    state = { ...state, isLive: !state.isLive }
    changed()
  } else if (act === 'plug') {
    isPlugged = !isPlugged
    if (isPlugged) link()
    else {
      const open = socket
      socket = null
      isLinked = false
      open?.terminate()
    }
    tellPages()
  }
}

const bodyMax = 2_000
const server = createServer((request, response) => {
  const path = (request.url ?? '/').split('?')[0]
  if (request.method === 'GET' && path === '/') {
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' })
    return response.end(studioPage)
  }
  if (request.method === 'GET' && path === '/state') {
    response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' })
    pages.add(response)
    request.on('close', () => pages.delete(response))
    return tellPages()
  }
  // From its own page only: no other site can have it switched.
  if (request.method === 'POST' && path === '/act' && request.headers['content-type'] === 'application/json') {
    let body = ''
    request.on('data', (piece: Buffer) => {
      body += piece.toString()
      if (body.length > bodyMax) request.destroy()
    })
    request.on('end', () => {
      try {
        byHand(JSON.parse(body) as { do?: string; name?: string })
        response.writeHead(204).end()
      } catch {
        response.writeHead(400).end()
      }
    })
    return
  }
  response.writeHead(404).end()
})
server.listen(Number(STUDIO_PORT), STUDIO_HOST, () => process.stdout.write('studio ready\n'))
link()
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(0))
