import { defineWebSocketHandler } from 'h3'
import { boxOfToken } from './boxOfToken.ts'
import { sourcesPerBoxMax, SourceTalk, type SourcePeer } from './sourceTalk.ts'
import { useBoards } from '../boards/port.ts'
import { useLines } from '../queue/port.ts'
import { useSources } from './port.ts'
import { useSponsors } from '../sponsors/port.ts'
import { useVoices } from '../speech/port.ts'
import { useDatabase } from '../db/port.ts'
import { useRuntime } from '../system/runtimePort.ts'

/** What a source is talked with. */
async function surroundings() {
  const [{ rooms }, { lines }, { boards }, { sponsors }, { wakeVoices }, { trouble }, { clock, logger }] =
    await Promise.all([useSources(), useLines(), useBoards(), useSponsors(), useVoices(), useDatabase(), useRuntime()])
  return { rooms, lines, boards, sponsors, wakeVoices, trouble, clock, logger }
}
type Surroundings = Awaited<ReturnType<typeof surroundings>>

/** What an address shows. */
type ShownBy = Parameters<typeof boxOfToken>[1]

interface SourceContext {
  boxId?: string
  channelId?: string
  token?: string
  around?: Surroundings
}

const talks = new Map<string, SourceTalk>()
/** So many pages of one address may be connected without having said who they are. */
const silentMax = 100
const silent = new Map<string, Set<string>>()
/** Pages on their way into a box, from the moment they are let in. */
const opening = new Map<string, number>()

/** The socket of a page that shows a box, or a board. The address is checked before the connection is taken. */
export const sourceLink = (of: ShownBy) =>
  defineWebSocketHandler({
    async upgrade(request) {
      const token = new URL(request.url, 'http://local').pathname.split('/')[2] ?? ''
      const box = await boxOfToken(token, of)
      if (!box) return new Response('This source address is not valid.', { status: 401 })
      if (box.putAwayAt) return new Response('The box of this address is put away.', { status: 410 })
      const around = await surroundings()
      if (around.rooms.countIn(box.id) + (opening.get(box.id) ?? 0) >= sourcesPerBoxMax)
        return new Response('Too many sources.', { status: 503 })
      const context = (request as { context?: SourceContext }).context
      if (context)
        Object.assign(context, { boxId: box.id, channelId: box.channelId, token, around } satisfies SourceContext)
      return undefined
    },
    open(peer) {
      const { boxId, channelId, token, around } = peer.context as SourceContext
      if (!boxId || !channelId || !token || !around) return peer.close(1008, 'no box')
      const address = peer.remoteAddress ?? ''
      const others = silent.get(address) ?? new Set<string>()
      if (others.size >= silentMax) return peer.close(1013, 'too many that say nothing')
      silent.set(address, others.add(peer.id))
      opening.set(boxId, (opening.get(boxId) ?? 0) + 1)
      talks.set(peer.id, talkWith({ boxId, channelId, token, of }, peer, around))
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

/** A page has said who it is, or is gone: it is none of the silent ones any more. */
function heardFrom(boxId: string, { id, remoteAddress = '' }: SourcePeer): void {
  const others = silent.get(remoteAddress)
  if (!others?.delete(id)) return
  if (others.size === 0) silent.delete(remoteAddress)
  const count = (opening.get(boxId) ?? 1) - 1
  if (count > 0) opening.set(boxId, count)
  else opening.delete(boxId)
}

function talkWith(
  { boxId, channelId, token, of }: { boxId: string; channelId: string; token: string; of: ShownBy },
  peer: SourcePeer,
  { rooms, lines, boards, sponsors, wakeVoices, clock, trouble, logger }: Surroundings,
): SourceTalk {
  let isSilent = false
  return new SourceTalk(boxId, channelId, peer, {
    rooms,
    steadyMs: () => clock.steadyMs(),
    onError(error) {
      if (!trouble.note(error)) logger.error({ err: error }, 'what a source said could not be dealt with')
    },
    input(input) {
      // A box that is put away has no line any more; its sources are told to go in the same moment.
      if (of === 'box') lines.input(boxId, input)
      // Boards have none: who comes is told what stands.
      else if (input.type === 'sourceJoined') void boards.joined(boxId, channelId, input.sourceId)
    },
    again: (sourceId, key) => boards.again(boxId, sourceId, key),
    showed: (id) => (of === 'board' ? sponsors.seen(channelId, id) : Promise.resolve()),
    onSettled: () => heardFrom(boxId, peer),
    wakeVoices: () => void wakeVoices(channelId),
    joined(sourceId) {
      if (isSilent) rooms.send(boxId, [sourceId], { type: 'hear', isHeard: false, of: 'box' })
    },
    standing: async () => {
      const box = await boxOfToken(token, of)
      if (box?.id !== boxId) return 'replaced'
      isSilent = box.isSilent
      return box.putAwayAt ? 'away' : 'here'
    },
  })
}
