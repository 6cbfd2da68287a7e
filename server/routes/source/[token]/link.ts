import { defineWebSocketHandler } from 'h3'
import { boxOfToken } from '../../../realtime/boxOfToken.ts'
import { sourcesPerBoxMax, SourceTalk, type SourcePeer } from '../../../realtime/sourceTalk.ts'
import { useServices, type Services } from '../../../system/services.ts'

interface SourceContext {
  boxId?: string
  token?: string
  services?: Services
}

const talks = new Map<string, SourceTalk>()

/** The socket of a source page. The address is checked before the connection is taken. */
export default defineWebSocketHandler({
  async upgrade(request) {
    const token = new URL(request.url, 'http://local').pathname.split('/')[2] ?? ''
    const box = await boxOfToken(token)
    if (!box) return new Response('This source address is not valid.', { status: 401 })
    if (box.putAwayAt) return new Response('The box of this address is put away.', { status: 410 })
    const services = await useServices()
    if (services.rooms.countIn(box.id) >= sourcesPerBoxMax) return new Response('Too many sources.', { status: 503 })
    const context = (request as { context?: SourceContext }).context
    if (context) Object.assign(context, { boxId: box.id, token, services } satisfies SourceContext)
    return undefined
  },
  open(peer) {
    const { boxId, token, services } = peer.context as SourceContext
    if (boxId && token && services) talks.set(peer.id, talkWith(boxId, token, peer, services))
    else peer.close(1008, 'no box')
  },
  async message(peer, incoming) {
    await talks.get(peer.id)?.hear(incoming.text(), incoming.uint8Array().byteLength)
  },
  close: (peer) => end(peer.id),
  error: (peer) => end(peer.id),
})

function end(peerId: string): void {
  talks.get(peerId)?.close()
  talks.delete(peerId)
}

function talkWith(boxId: string, token: string, peer: SourcePeer, services: Services): SourceTalk {
  const { rooms, queues, stream, wakeVoices, clock, trouble, logger } = services
  const channelId = () => queues.channelOf(boxId) ?? ''
  return new SourceTalk(boxId, peer, {
    rooms,
    steadyMs: () => clock.steadyMs(),
    onError(error) {
      if (!trouble.note(error)) logger.error({ err: error }, 'what a source said could not be dealt with')
    },
    // A box that is put away has no queue any more; its sources are told to go in the same moment.
    input: (input) => queues.find(boxId)?.input(input),
    changed: () => stream.changed(channelId()),
    wakeVoices: () => void wakeVoices(channelId()),
    standing: async () => {
      const box = await boxOfToken(token)
      if (box?.id !== boxId) return 'replaced'
      return box.putAwayAt ? 'away' : 'here'
    },
  })
}
