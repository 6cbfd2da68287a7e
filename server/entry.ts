// The program itself: HTTP, and the sockets that sources and studios connect to. Instead of the framework's own, which takes sockets
// at any address, with frames of a hundred megabytes, and prints whatever nobody caught with all that it was asked.
import '#nitro-internal-pollyfills'
import { createServer } from 'node:http'
import type { Duplex } from 'node:stream'
import wsAdapter from 'crossws/adapters/node'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { sourceMessageMaxBytes } from '../contract/sourceLimits.ts'
import { studioMessageMaxBytes } from '../contract/studioLink.ts'
import { isKnownHost } from './http/knownHost.ts'
import { hostRules } from './http/hostRules.ts'
import { tellLog } from './system/lastResort.ts'

/** The sockets that there are: of sources, and of broadcast programs. */
const links = /^\/(?:(?:source|board)\/[\w-]{1,80}\/link|studio\/link)(?:\?|$)/

for (const event of ['unhandledRejection', 'uncaughtException'] as const)
  process.on(event, (error: unknown) => tellLog(error, event))

const app = useNitroApp()
const server = createServer(
  {
    // A pack of a gigabyte over a slow line takes as long as it takes; what sends nothing for five minutes is given up.
    requestTimeout: 0,
    headersTimeout: 20_000,
  },
  toNodeListener(app.h3App),
)
server.setTimeout(300_000)

const sockets = wsAdapter({
  ...app.h3App.websocket,
  serverOptions: { maxPayload: Math.max(sourceMessageMaxBytes, studioMessageMaxBytes) },
})
server.on('upgrade', (request, socket: Duplex, head) => {
  socket.on('error', () => socket.destroy())
  if (!isKnownHost(request.headers.host, hostRules())) return refuse(socket, '421 Misdirected Request')
  if (!links.test(request.url ?? '')) return refuse(socket, '404 Not Found')
  sockets.handleUpgrade(request, socket, head).catch((error: unknown) => {
    tellLog(error, 'upgrade')
    refuse(socket, '503 Service Unavailable')
  })
})

function refuse(socket: Duplex, status: string): void {
  if (!socket.destroyed) socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`)
}

const listener = server.listen({ port: Number(process.env.PORT ?? 4410), host: process.env.HOST ?? '127.0.0.1' })
listener.once('error', (error) => {
  tellLog(error, 'listen')
  process.exit(1)
})

const shutdownMs = Number(process.env.NITRO_SHUTDOWN_TIMEOUT ?? 10_000)
let isStopping = false
/** Nothing new is taken, what runs is ended in order, and what is open is closed; after a while, however far that came. */
async function stop(): Promise<void> {
  if (isStopping) return
  isStopping = true
  const late = setTimeout(() => process.exit(1), shutdownMs)
  server.close()
  await app.hooks.callHook('close').catch((error: unknown) => tellLog(error, 'close'))
  server.closeAllConnections()
  clearTimeout(late)
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => void stop())

export default {}
