/** A line in a simulated chat. */
export interface ChatLine {
  id: string
  atMs: number
  by: { id: string; name: string; roles: readonly string[] }
  text: string
  /** Where its words are pictures; UTF-16 units. */
  emotes: readonly { from: number; to: number; url: string }[]
  /** Said by the channel's own program, not by a viewer. */
  isOurs: boolean
  /** A moderator took it away: whoever listens is told so. */
  isGone?: true
}

/** Somebody who has the chat open. */
export interface Present {
  id: string
  name: string
  sinceMs: number
}

const linesKept = 200
const listenersMax = 200

interface Room {
  lines: ChatLine[]
  listeners: Map<(line: ChatLine) => void, Present | null>
}

/** The chats of simulated platforms, by the feeds that hear them: what was said lately, and who is there. */
export class ChatRooms {
  private readonly rooms = new Map<string, Room>()

  say(room: string, line: ChatLine): void {
    const { lines, listeners } = this.of(room)
    lines.push(line)
    if (lines.length > linesKept) lines.splice(0, lines.length - linesKept)
    for (const listener of listeners.keys()) listener(line)
  }

  /** Takes a line away. @returns false where it is not there (any more) */
  takeAway(room: string, lineId: string): boolean {
    const { lines, listeners } = this.of(room)
    const at = lines.findIndex(({ id }) => id === lineId)
    const [line] = at < 0 ? [] : lines.splice(at, 1)
    if (!line) return false
    for (const listener of listeners.keys()) listener({ ...line, text: '', emotes: [], isGone: true })
    return true
  }

  lines(room: string): readonly ChatLine[] {
    return this.of(room).lines
  }

  /** Listens to what is said, as somebody who is there, or unseen. @returns how to leave; null where the room is full */
  join(room: string, listener: (line: ChatLine) => void, as: Present | null): (() => void) | null {
    const { listeners } = this.of(room)
    if (listeners.size >= listenersMax) return null
    listeners.set(listener, as)
    return () => void listeners.delete(listener)
  }

  /** Who is there, each once, since they came. */
  present(room: string): Present[] {
    const byId = new Map<string, Present>()
    for (const each of this.of(room).listeners.values()) {
      if (!each) continue
      const known = byId.get(each.id)
      if (!known || each.sinceMs < known.sinceMs) byId.set(each.id, each)
    }
    return [...byId.values()]
  }

  private of(name: string): Room {
    const room: Room = this.rooms.get(name) ?? { lines: [], listeners: new Map() }
    this.rooms.set(name, room)
    return room
  }
}
