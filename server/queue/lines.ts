import type { QueueInput, Ticket } from '../../core/queue/state.ts'
import type { EarnedPlay } from '../ingest/decideEvents.ts'
import type { Bus } from '../lanes/bus.ts'
import type { Lanes } from '../lanes/lanes.ts'
import { dropOldest } from '../system/dropOldest.ts'
import { problemError } from '../system/problemError.ts'
import type { BoxAct } from './boxAct.ts'
import type { BoxQueues } from './boxQueues.ts'

interface LinesDependencies {
  bus: Bus
  lanes: Lanes
  queues: BoxQueues
  steadyMs: () => number
}

const namesOf = (plays: readonly EarnedPlay[]) => plays.map(({ boxId, ticket: { playId } }) => ({ boxId, playId }))

/** More are never on their way at once. */
const wokenKept = 20_000
const answersWithinMs = 2_500
/** A lane that changes hands is somebody's again within this. */
const patienceMs = 6_000
const againAfterMs = 250

/** The lines of all boxes, whichever process carries them out: here it is not to be seen. */
export class Lines {
  /** Plays with whose commit their owners are woken. */
  private readonly woken = new Set<string>()
  private readonly asked = new Map<number, (value: unknown) => void>()
  private count = 0

  constructor(private readonly deps: LinesDependencies) {}

  /** Something for the line of a box. Where nobody carries it out just now it is lost: whoever does next asks for all that counts. */
  input(boxId: string, input: QueueInput): void {
    const { bus, lanes, queues } = this.deps
    if (queues.find(boxId)) return queues.input(boxId, input)
    const owner = lanes.otherOwnerOf(boxId)
    if (owner !== null) bus.send(owner, { type: 'input', boxId, input })
  }

  /** What is to be said with the commit of these plays, so that those who carry out their lanes take them up; null: nothing. */
  wakeWith(plays: readonly EarnedPlay[]): string | null {
    const { bus, lanes, queues } = this.deps
    if (!lanes.hasOthers) return null
    const others = plays.filter(({ boxId }) => !queues.find(boxId))
    if (others.length === 0) return null
    const named = namesOf(others)
    for (const { playId } of named) this.woken.add(playId)
    dropOldest(this.woken, wokenKept)
    return bus.inStatement({ type: 'wake', plays: named }) ?? bus.inStatement({ type: 'wake', plays: null })
  }

  /** Puts plays into their lines; they must be durable already, and others woken with them. */
  enqueue(plays: readonly EarnedPlay[]): void {
    const { bus, lanes, queues } = this.deps
    queues.enqueue(plays)
    if (!lanes.hasOthers) return
    // A lane that went to another while they were written: nobody was woken for it.
    const lost = plays.filter(({ boxId, ticket }) => !this.woken.delete(ticket.playId) && !queues.find(boxId))
    if (lost.length > 0) bus.publish({ type: 'wake', plays: namesOf(lost) })
  }

  /** Puts a play that somebody asked for once more, and that is durable, into its line. */
  add(boxId: string, ticket: Ticket, speaks: boolean): void {
    const { bus, queues } = this.deps
    if (!queues.find(boxId)) return bus.publish({ type: 'wake', plays: [{ boxId, playId: ticket.playId }] })
    queues.add(boxId, ticket)
    if (speaks) queues.speakAhead(boxId, ticket.playId)
  }

  /**
   * Has something done in the line of a box by whoever carries it out.
   * @throws 503 where nobody does so for several seconds
   */
  async act(boxId: string, act: BoxAct): Promise<unknown> {
    const { lanes, queues, steadyMs } = this.deps
    for (const untilMs = steadyMs() + patienceMs; ;) {
      if (queues.find(boxId)) return queues.act(boxId, act)
      const owner = lanes.otherOwnerOf(boxId)
      const answer = owner === null ? null : await this.ask(owner, boxId, act)
      if (answer) return answer.value
      if (steadyMs() > untilMs)
        throw problemError(503, 'Nobody carries out the line of this box at the moment. Try again in a few seconds.')
      await new Promise((resolve) => setTimeout(resolve, againAfterMs))
      await lanes.askOwners()
    }
  }

  /** An answer to something that was asked. */
  heardAnswer(number: number, value: unknown): void {
    this.asked.get(number)?.(value)
  }

  /** @returns null where no answer came in time, or the other does not carry it out any more */
  private async ask(nodeId: string, boxId: string, act: BoxAct): Promise<{ value: unknown } | null> {
    const number = this.count++
    let timer: ReturnType<typeof setTimeout> | undefined
    try {
      return await new Promise<{ value: unknown } | null>((resolve) => {
        timer = setTimeout(resolve, answersWithinMs, null)
        this.asked.set(number, (answer) => resolve(answer as { value: unknown } | null))
        this.deps.bus.send(nodeId, { type: 'ask', number, boxId, act })
      })
    } finally {
      clearTimeout(timer)
      this.asked.delete(number)
    }
  }
}
