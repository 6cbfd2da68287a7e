import { fromBoard, type FromBoard } from '../../contract/boardMessages.ts'
import { closedAddressReplaced, closedForNow, sourceMessageMaxBytes } from '../../contract/sourceLimits.ts'
import type { QueueInput } from '../../core/queue/state.ts'
import { signsOfForwarding } from '../http/caller.ts'
import { Turns } from '../../core/turns.ts'
import { machineOf } from './machineOf.ts'
import type { SourceRooms } from './sourceRooms.ts'

export const sourcesPerBoxMax = 500
/** Messages of one source that wait for those before them; a page sends a handful. */
const waitingMax = 64
/** A page says hello as soon as it is connected. */
const helloWithinMs = 10_000

/** The socket of a page, as far as talking with it goes. */
export interface SourcePeer {
  id: string
  remoteAddress?: string | undefined
  request?: { headers: Headers } | undefined
  send(text: string): unknown
  close(code?: number, reason?: string): void
  terminate(): void
  /** What lies under it, where that is known. */
  websocket?: { bufferedAmount?: number | undefined } | undefined
}

export type Standing = 'here' | 'replaced' | 'away'

export interface TalkDependencies {
  rooms: Pick<SourceRooms, 'join' | 'leave' | 'heard' | 'reached' | 'countIn'>
  /** The steady clock, by which pings are sent. */
  steadyMs: () => number
  /** Puts something into the queue of the box. */
  input: (input: QueueInput) => void
  /** A page that shows a board missed something. Absent: it shows none. */
  again?: (sourceId: string, key: string) => void
  /** Such a page has shown the whole of a sponsor's line. */
  showed?: (id: string) => Promise<void>
  /** Engines that fell asleep are to start: a broadcast may be about to begin. */
  wakeVoices: () => void
  /** Whether the address shows the box, was replaced, or its box is put away. */
  standing: () => Promise<Standing>
  /** The page has joined. */
  joined?: (sourceId: string) => void
  /** The page has joined, or is gone before it could. Told once. */
  onSettled: () => void
  /** What the page said could not be dealt with. */
  onError: (error: unknown) => void
}

/**
 * What is said with one source page, in the order in which it was said: what comes right behind the hello waits until
 * that is understood, and a page that has gone meanwhile never joins.
 */
export class SourceTalk {
  private readonly turns = new Turns()
  private waiting = 0
  private isClosed = false
  private hasJoined = false
  private readonly patience: ReturnType<typeof setTimeout>

  constructor(
    private readonly boxId: string,
    private readonly channelId: string,
    private readonly peer: SourcePeer,
    private readonly deps: TalkDependencies,
  ) {
    this.patience = setTimeout(() => peer.close(1008, 'no hello'), helloWithinMs)
    this.patience.unref()
  }

  /** Takes a message of the page. Resolves when it and all before it have been dealt with. */
  hear(text: string, bytes: number): Promise<void> {
    if (this.isClosed) return this.turns.settled()
    if (bytes > sourceMessageMaxBytes) return this.refuse(1009, 'too large')
    if (this.waiting >= waitingMax) return this.refuse(1008, 'too many at once')
    const message = parseMessage(text)
    if (!message) return this.refuse(1007, 'not understood')
    this.waiting += 1
    return this.turns.take(async () => {
      this.waiting -= 1
      try {
        if (!this.isClosed) await this.take(message)
      } catch (error) {
        // Whoever connects while the database is away is told to come back, and nothing of it is thrown at anybody.
        this.deps.onError(error)
        this.peer.close(closedForNow, 'not now')
      }
    })
  }

  /** The page has gone. What it said before and nobody has looked at yet is not looked at any more. */
  close(): void {
    if (this.isClosed) return
    this.isClosed = true
    clearTimeout(this.patience)
    if (!this.hasJoined) return this.deps.onSettled()
    this.deps.rooms.leave(this.boxId, this.peer.id)
    this.deps.input({ type: 'sourceLeft', sourceId: this.peer.id })
  }

  private refuse(code: number, reason: string): Promise<void> {
    this.peer.close(code, reason)
    return this.turns.settled()
  }

  private async take(message: FromBoard): Promise<void> {
    const { rooms, input } = this.deps
    const { boxId } = this
    const sourceId = this.peer.id
    if (message.type === 'hello') return this.join(message)
    // Whoever never said hello is nobody.
    if (!this.hasJoined) return
    switch (message.type) {
      case 'ready':
        rooms.heard(boxId, sourceId, { missing: message.missing })
        return input({ type: 'sourceProgress', sourceId, playId: message.playId, progress: 'ready' })
      case 'started':
      case 'done':
        rooms.heard(boxId, sourceId, message.type === 'done' && message.frames ? { frames: message.frames } : {})
        rooms.reached(boxId, sourceId, message.playId, message.type)
        return input({ type: 'sourceProgress', sourceId, playId: message.playId, progress: message.type })
      case 'sound':
        return rooms.heard(boxId, sourceId, mannerOf(message))
      case 'again':
        rooms.heard(boxId, sourceId)
        return this.deps.again?.(sourceId, message.key)
      case 'showed':
        rooms.heard(boxId, sourceId)
        return this.deps.showed?.(message.id)
      case 'pong':
        return rooms.heard(boxId, sourceId, {
          latencyMs: Math.max(0, Math.round((this.deps.steadyMs() - message.sentAtMs) / 2)),
        })
    }
  }

  private async join(hello: Extract<FromBoard, { type: 'hello' }>): Promise<void> {
    const { boxId, peer, deps } = this
    if (this.hasJoined) return
    // The address may have been replaced between the connection and its first word.
    const standing = await deps.standing()
    if (standing === 'replaced') return peer.close(closedAddressReplaced, 'address replaced')
    if (standing === 'away') return peer.close(closedForNow, 'box put away')
    if (this.isClosed) return
    if (deps.rooms.countIn(boxId) >= sourcesPerBoxMax) return peer.close(1013, 'too many sources')
    clearTimeout(this.patience)
    this.hasJoined = true
    deps.onSettled()
    const { widthPx, heightPx, shownPlayIds, showing = null } = hello
    const socket = {
      send: (text: string) => sendUnlessBehind(peer, text),
      close: (code: number, reason: string) => peer.close(code, reason),
      terminate: () => peer.terminate(),
    }
    const view = {
      id: peer.id,
      connectedAtMs: Date.now(),
      latencyMs: null,
      ...mannerOf(hello),
      chromium: chromiumOf(peer.request?.headers.get('user-agent') ?? ''),
      frames: null,
      widthPx,
      heightPx,
      missing: [],
      machine: machineOf(peer.remoteAddress, isPassedOn(peer)),
    }
    deps.rooms.join({ boxId, channelId: this.channelId }, socket, view, { shownPlayIds, showing })
    deps.input({ type: 'sourceJoined', sourceId: peer.id, shownPlayIds, showing })
    deps.wakeVoices()
    deps.joined?.(peer.id)
  }
}

/** A page that is so far behind is let go: it comes back and is told what is, instead of all that has been. */
const behindMaxBytes = 4 * 1024 * 1024

function sendUnlessBehind(peer: SourcePeer, text: string): void {
  if ((peer.websocket?.bufferedAmount ?? 0) > behindMaxBytes) peer.terminate()
  else peer.send(text)
}

const mannerOf = ({ sound, isHeard = true, isSilenced = false, isHidden = false }: Manner) => ({
  ...{ sound, isHeard, isSilenced, isHidden },
})
type Manner = Pick<Extract<FromBoard, { type: 'sound' }>, 'sound' | 'isHeard' | 'isSilenced' | 'isHidden'>

/** The Chromium that a page is shown by, as its browser says. */
export function chromiumOf(userAgent: string): number | null {
  const [, version] = /Chrom(?:e|ium)\/(\d{1,4})\b/.exec(userAgent) ?? []
  return version === undefined ? null : Number(version)
}

/** Nobody can say where a page runs that came through a proxy. */
const isPassedOn = ({ request }: SourcePeer) => signsOfForwarding.some((name) => request?.headers.has(name) ?? false)

function parseMessage(text: string): FromBoard | null {
  try {
    return fromBoard.parse(JSON.parse(text))
  } catch {
    return null
  }
}
