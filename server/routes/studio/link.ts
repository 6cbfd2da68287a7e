import { defineWebSocketHandler } from 'h3'
import { useCalls } from '../../triggers/port.ts'

/** The socket of a broadcast program; see docs/studio-link.md. */
export default defineWebSocketHandler({
  async open(peer) {
    const { studioLinks } = await useCalls()
    studioLinks.open(peer)
  },
  async message(peer, incoming) {
    const { studioLinks } = await useCalls()
    await studioLinks.hear(peer.id, incoming.text(), incoming.uint8Array().byteLength)
  },
  close: (peer) => void end(peer.id),
  error: (peer) => void end(peer.id),
})

async function end(peerId: string): Promise<void> {
  const { studioLinks } = await useCalls()
  studioLinks.close(peerId)
}
