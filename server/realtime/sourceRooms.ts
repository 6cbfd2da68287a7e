import { closedForNow, heartbeatEveryMs, silenceMaxMs } from '../../contract/sourceLimits.ts'
import type { ToSource } from '../../contract/sourceMessages.ts'
import type { SourceView } from '../../contract/views.ts'

/** What is known of a source by talking with it. */
export type RoomView = Omit<SourceView, 'isSetAside'>

/** The socket of a source, as far as rooms care. */
export interface SourceSocket {
  send(text: string): void
  close(code: number, reason: string): void
  terminate(): void
}

interface ConnectedSource {
  socket: SourceSocket
  view: RoomView
  lastHeardMs: number
}

/** The sources of each box, with their signs of life. */
export class SourceRooms {
  private readonly rooms = new Map<string, Map<string, ConnectedSource>>()
  private readonly heartbeat: ReturnType<typeof setInterval>

  /**
   * @param now the steady clock
   * @param onSilent called for a source that was given up; it is already out of its room
   */
  constructor(
    private readonly now: () => number,
    private readonly onSilent: (boxId: string, sourceId: string) => void,
  ) {
    this.heartbeat = setInterval(() => this.beat(), heartbeatEveryMs)
    this.heartbeat.unref()
  }

  join(boxId: string, socket: SourceSocket, view: RoomView): void {
    const room = this.rooms.get(boxId) ?? new Map<string, ConnectedSource>()
    this.rooms.set(boxId, room)
    room.set(view.id, { socket, view, lastHeardMs: this.now() })
  }

  leave(boxId: string, sourceId: string): void {
    const room = this.rooms.get(boxId)
    room?.delete(sourceId)
    if (room?.size === 0) this.rooms.delete(boxId)
  }

  /** Notes a sign of life and whatever else was learnt. */
  heard(boxId: string, sourceId: string, learnt: Partial<RoomView> = {}): void {
    const source = this.rooms.get(boxId)?.get(sourceId)
    if (!source) return
    source.lastHeardMs = this.now()
    Object.assign(source.view, learnt)
  }

  /** Sends one message to some sources of a box. It is put into words once, however many they are. */
  send(boxId: string, sourceIds: readonly string[], message: ToSource): void {
    const room = this.rooms.get(boxId)
    if (!room) return
    const text = JSON.stringify(message)
    for (const id of sourceIds) room.get(id)?.socket.send(text)
  }

  views(boxId: string): RoomView[] {
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
