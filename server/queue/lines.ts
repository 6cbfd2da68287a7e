import { laneOfBox, laneOfChannel } from '../../core/response/lane.ts'
import type { QueueInput } from '../../core/queue/state.ts'
import type { Ticket } from '../../core/queue/ticket.ts'
import type { EarnedPlay } from '../ingest/decideEvents.ts'
import type { Asks } from '../lanes/asks.ts'
import type { Bus } from '../lanes/bus.ts'
import type { Lanes } from '../lanes/lanes.ts'
import { dropOldest } from '../../core/dropOldest.ts'
import type { BoxAct } from './boxAct.ts'
import type { BoxQueues } from './boxQueues.ts'

interface LinesDependencies {
  bus: Bus
  lanes: Lanes
  queues: BoxQueues
  asks: Asks
}

const namesOf = (plays: readonly EarnedPlay[]) => plays.map(({ boxId, ticket: { playId } }) => ({ boxId, playId }))

/** More are never on their way at once. */
const wokenKept = 20_000

/** The lines of all boxes, whichever process carries them out: here it is not to be seen. */
export class Lines {
  /** Plays with whose commit their owners are woken. */
  private readonly woken = new Set<string>()

  constructor(private readonly deps: LinesDependencies) {}

  /** Something for the line of a box. Where nobody carries it out just now it is lost: whoever does next asks for all that counts. */
  input(boxId: string, input: QueueInput): void {
    const { bus, lanes, queues } = this.deps
    if (queues.find(boxId)) return queues.input(boxId, input)
    const owner = lanes.otherOwnerOf(laneOfBox(boxId))
    if (owner !== null) bus.send(owner, { type: 'input', boxId, input })
  }

  /**
   * What is to be said with the commit of these plays and of what viewers set off, so that those who carry out their lanes take
   * them up; null: nothing.
   */
  wakeWith(plays: readonly EarnedPlay[], callsIn: readonly string[] = []): string | null {
    const { bus, lanes, queues } = this.deps
    if (!lanes.hasOthers) return null
    const others = plays.filter(({ boxId }) => !queues.find(boxId))
    const channels = callsIn.filter((channelId) => lanes.ownerOf(laneOfChannel(channelId)) !== lanes.nodeId)
    if (others.length === 0 && channels.length === 0) return null
    const named = namesOf(others)
    for (const { playId } of named) this.woken.add(playId)
    dropOldest(this.woken, wokenKept)
    return (
      bus.inStatement({ type: 'wake', plays: named, channels }) ??
      bus.inStatement({ type: 'wake', plays: null, channels })
    )
  }

  /** Puts plays into their lines; they must be durable already, and others woken with them. */
  enqueue(plays: readonly EarnedPlay[]): void {
    const { bus, lanes, queues } = this.deps
    queues.enqueue(plays)
    if (!lanes.hasOthers) return
    // A lane that went to another while they were written: nobody was woken for it.
    const lost = plays.filter(({ boxId, ticket }) => !this.woken.delete(ticket.playId) && !queues.find(boxId))
    if (lost.length > 0) bus.publish({ type: 'wake', plays: namesOf(lost), channels: [] })
  }

  /** Puts a play that somebody asked for once more, and that is durable, into its line. */
  add(boxId: string, ticket: Ticket, speaks: boolean): void {
    const { bus, queues } = this.deps
    if (!queues.find(boxId))
      return bus.publish({ type: 'wake', plays: [{ boxId, playId: ticket.playId }], channels: [] })
    queues.add(boxId, ticket)
    if (speaks) queues.speakAhead(boxId, ticket.playId)
  }

  /**
   * Has something done in the line of a box by whoever carries it out.
   * @throws 503 where nobody does so for several seconds
   */
  act(boxId: string, act: BoxAct): Promise<unknown> {
    return this.deps.asks.act(laneOfBox(boxId), act)
  }

  /** The same where somebody carries the line out just now; else nothing, and nobody is waited for. */
  async actNow(boxId: string, act: BoxAct): Promise<void> {
    await this.deps.asks.now(laneOfBox(boxId), act)
  }
}
