import { closedForNow, heartbeatEveryMs, silenceMaxMs } from '../../contract/sourceLimits.ts'
import type { ToBoard } from '../../contract/boardMessages.ts'
import type { ToSource } from '../../contract/sourceMessages.ts'
import type { SourceView } from '../../contract/views.ts'
import { isSame } from '../../core/isSame.ts'
import type { Showing } from '../../core/queue/state.ts'

/** What is known of a source by talking with it. */
export type ConnectedView = Omit<SourceView, 'isSetAside'>

/** A source as its box's line meets it, wherever that is carried out. */
export interface KnownSource {
  sourceId: string
  /** What it has shown, the newest last. */
  shownPlayIds: string[]
  showing: Showing | null
}

/** The socket of a source, as far as rooms care. */
export interface SourceSocket {
  send(text: string): void
  close(code: number, reason: string): void
  terminate(): void
}

interface ConnectedSource {
  socket: SourceSocket
  view: ConnectedView
  lastHeardMs: number
  shownPlayIds: string[]
  /** What it shows, and when that began by the steady clock. */
  showing: { playId: string; beganMs: number } | null
}

/** Of what a source has shown so much is told to a line's new owner: what may still be open there. */
const shownTold = 50

/** The sources of each box, with their signs of life. */
export class SourceRooms {
  private readonly rooms = new Map<string, Map<string, ConnectedSource>>()
  private readonly channels = new Map<string, string>()
  private readonly heartbeat: ReturnType<typeof setInterval>

  /**
   * @param now the steady clock
   * @param onSilent called for a source that was given up; it is already out of its room
   * @param onChange something new is known of the sources of a box
   */
  constructor(
    private readonly now: () => number,
    private readonly onSilent: (boxId: string, sourceId: string) => void,
    private readonly onChange: (channelId: string, boxId: string) => void,
  ) {
    this.heartbeat = setInterval(() => this.beat(), heartbeatEveryMs)
    this.heartbeat.unref()
  }

  join(
    { boxId, channelId }: { boxId: string; channelId: string },
    socket: SourceSocket,
    view: ConnectedView,
    { shownPlayIds, showing }: Omit<KnownSource, 'sourceId'>,
  ): void {
    this.channels.set(boxId, channelId)
    const room = this.rooms.get(boxId) ?? new Map<string, ConnectedSource>()
    this.rooms.set(boxId, room)
    const nowMs = this.now()
    room.set(view.id, {
      socket,
      view,
      lastHeardMs: nowMs,
      shownPlayIds: shownPlayIds.slice(-shownTold),
      showing: showing && { playId: showing.playId, beganMs: nowMs - showing.atMs },
    })
    this.onChange(channelId, boxId)
  }

  /** The channel of a box of which somebody is here. */
  channelOf(boxId: string): string | null {
    return this.channels.get(boxId) ?? null
  }

  /** Notes how far a source is with a play, for whoever carries out its line next. */
  reached(boxId: string, sourceId: string, playId: string, progress: 'ready' | 'started' | 'done'): void {
    const source = this.rooms.get(boxId)?.get(sourceId)
    if (!source || progress === 'ready') return
    if (!source.shownPlayIds.includes(playId))
      source.shownPlayIds = [...source.shownPlayIds.slice(1 - shownTold), playId]
    if (progress === 'started') source.showing ??= { playId, beganMs: this.now() }
    else if (source.showing?.playId === playId) source.showing = null
  }

  /** The sources of a box as a line's new owner has to know them. */
  known(boxId: string): KnownSource[] {
    const nowMs = this.now()
    return [...(this.rooms.get(boxId) ?? [])].map(([sourceId, { shownPlayIds, showing }]) => ({
      sourceId,
      shownPlayIds,
      showing: showing && { playId: showing.playId, atMs: Math.max(0, nowMs - showing.beganMs) },
    }))
  }

  /** The boxes of which somebody is here. */
  boxIds(): string[] {
    return [...this.rooms.keys()]
  }

  leave(boxId: string, sourceId: string): void {
    const room = this.rooms.get(boxId)
    const channelId = this.channels.get(boxId)
    room?.delete(sourceId)
    if (room?.size === 0) {
      this.rooms.delete(boxId)
      this.channels.delete(boxId)
    }
    if (channelId !== undefined) this.onChange(channelId, boxId)
  }

  /** Notes a sign of life and whatever else was learnt. */
  heard(boxId: string, sourceId: string, learnt: Partial<ConnectedView> = {}): void {
    const source = this.rooms.get(boxId)?.get(sourceId)
    if (!source) return
    source.lastHeardMs = this.now()
    const known = source.view as unknown as Record<string, unknown>
    if (Object.entries(learnt).every(([name, value]) => isSame(known[name], value))) return
    Object.assign(source.view, learnt)
    const channelId = this.channels.get(boxId)
    if (channelId !== undefined) this.onChange(channelId, boxId)
  }

  /** Sends one message to some sources of a box. It is put into words once, however many they are. */
  send(boxId: string, sourceIds: readonly string[], message: ToSource | ToBoard): void {
    const room = this.rooms.get(boxId)
    if (!room) return
    const text = JSON.stringify(message)
    for (const id of sourceIds) room.get(id)?.socket.send(text)
  }

  views(boxId: string): ConnectedView[] {
    return [...(this.rooms.get(boxId)?.values() ?? [])].map((source) => ({ ...source.view }))
  }

  countIn(boxId: string): number {
    return this.rooms.get(boxId)?.size ?? 0
  }

  count(): number {
    return [...this.rooms.values()].reduce((sum, room) => sum + room.size, 0)
  }

  /** Closes every source of a box, e.g. because its address was replaced. */
  closeBox(boxId: string, code: number, reason: string): void {
    for (const source of this.rooms.get(boxId)?.values() ?? []) source.socket.close(code, reason)
  }

  /** Tells every source to come back soon: a server that stops must not leave sockets hanging. */
  closeAll(): void {
    clearInterval(this.heartbeat)
    for (const boxId of this.rooms.keys()) this.closeBox(boxId, closedForNow, 'restarting')
  }

  private beat(): void {
    const nowMs = this.now()
    for (const [boxId, room] of this.rooms) {
      for (const [sourceId, source] of room) {
        if (nowMs - source.lastHeardMs <= silenceMaxMs) {
          source.socket.send(JSON.stringify({ type: 'ping', sentAtMs: nowMs } satisfies ToSource))
          continue
        }
        source.socket.terminate()
        this.leave(boxId, sourceId)
        this.onSilent(boxId, sourceId)
      }
    }
  }
}
