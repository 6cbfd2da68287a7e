import { defineWebSocketHandler } from 'h3'
import { fromSource, type FromSource } from '../../../../contract/sourceMessages.ts'
import { closedAddressReplaced, sourceMessageMaxBytes } from '../../../../contract/sourceLimits.ts'
import { machineOf } from '../../../realtime/machineOf.ts'
import { boxOfToken } from '../../../realtime/boxOfToken.ts'
import { useServices, type Services } from '../../../system/services.ts'

const sourcesPerBoxMax = 500

interface SourceContext {
  boxId?: string
  token?: string
}

/** The socket of a source page. The address is checked before the connection is taken. */
export default defineWebSocketHandler({
  async upgrade(request) {
    const token = new URL(request.url, 'http://local').pathname.split('/')[2] ?? ''
    const box = await boxOfToken(token)
    if (!box) return new Response('This source address is not valid.', { status: 401 })
    const { rooms } = await useServices()
    if (rooms.countIn(box.id) >= sourcesPerBoxMax) return new Response('Too many sources.', { status: 503 })
    const context = (request as { context?: SourceContext }).context
    if (context) Object.assign(context, { boxId: box.id, token })
    return undefined
  },
  async message(peer, incoming) {
    const { boxId, token } = peer.context as SourceContext
    if (!boxId) return peer.close(1008, 'no box')
    if (incoming.uint8Array().byteLength > sourceMessageMaxBytes) return peer.close(1009, 'too large')
    const message = parseMessage(incoming.text())
    if (!message) return peer.close(1007, 'not understood')
    // The address may have been replaced between the connection and its first word.
    if (message.type === 'hello' && !(await boxOfToken(token ?? '')))
      return peer.close(closedAddressReplaced, 'address replaced')
    receive(await useServices(), boxId, peer, message)
  },
  async close(peer) {
    await left(peer.context as SourceContext, peer.id)
  },
  async error(peer) {
    await left(peer.context as SourceContext, peer.id)
  },
})

interface Peer {
  id: string
  remoteAddress?: string | undefined
  request?: { headers: Headers } | undefined
  send(text: string): unknown
  close(code?: number, reason?: string): void
  terminate(): void
}

function parseMessage(text: string): FromSource | null {
  try {
    return fromSource.parse(JSON.parse(text))
  } catch {
    return null
  }
}

function receive(
  { rooms, queues, stream, wakeVoices }: Services,
  boxId: string,
  peer: Peer,
  message: FromSource,
): void {
  const sourceId = peer.id
  const changed = () => stream.changed(queues.channelOf(boxId) ?? '')
  switch (message.type) {
    case 'hello': {
      const machine = machineOf(peer.remoteAddress, peer.request?.headers.has('x-forwarded-for') ?? false)
      const { sound, widthPx, heightPx, shownPlayIds } = message
      const socket = {
        send: (text: string) => void peer.send(text),
        close: (code: number, reason: string) => peer.close(code, reason),
        terminate: () => peer.terminate(),
      }
      rooms.join(boxId, socket, {
        id: sourceId,
        connectedAtMs: Date.now(),
        latencyMs: null,
        sound,
        widthPx,
        heightPx,
        missing: [],
        machine,
      })
      queues.of(boxId).input({ type: 'sourceJoined', sourceId, shownPlayIds })
      // The broadcast may be about to begin: engines that fell asleep have started when the first message comes.
      wakeVoices(queues.channelOf(boxId) ?? '')
      return
    }
    case 'ready':
      rooms.heard(boxId, sourceId, { missing: message.missing })
      return queues.of(boxId).input({ type: 'sourceProgress', sourceId, playId: message.playId, progress: 'ready' })
    case 'started':
    case 'done':
      rooms.heard(boxId, sourceId)
      return queues
        .of(boxId)
        .input({ type: 'sourceProgress', sourceId, playId: message.playId, progress: message.type })
    case 'sound':
      rooms.heard(boxId, sourceId, { sound: message.sound })
      return changed()
    case 'pong':
      rooms.heard(boxId, sourceId, { latencyMs: Math.max(0, Math.round((Date.now() - message.sentAtMs) / 2)) })
      return changed()
  }
}

async function left({ boxId }: SourceContext, sourceId: string): Promise<void> {
  if (!boxId) return
  const { rooms, queues } = await useServices()
  rooms.leave(boxId, sourceId)
  queues.of(boxId).input({ type: 'sourceLeft', sourceId })
}
