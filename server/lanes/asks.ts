import type { Lane } from '../../core/response/lane.ts'
import { problemError } from '../system/problemError.ts'
import type { Bus } from './bus.ts'
import type { Lanes } from './lanes.ts'
import type { LaneAct } from './messages.ts'

interface AsksDependencies {
  bus: Bus
  lanes: Lanes
  steadyMs: () => number
  /** Does it, where this process carries the lane out; null where it does not. */
  here: (lane: Lane, act: LaneAct) => Promise<unknown> | null
}

const answersWithinMs = 2_500
/** A lane that changes hands is somebody's again within this. */
const patienceMs = 6_000
const againAfterMs = 250

/** Has things done in lanes by whoever carries them out. */
export class Asks {
  private readonly asked = new Map<number, (value: unknown) => void>()
  private count = 0

  constructor(private readonly deps: AsksDependencies) {}

  /**
   * Has something done in a lane by its owner, and gives what that answers.
   * @throws 503 where nobody carries it out for several seconds
   */
  async act(lane: Lane, act: LaneAct): Promise<unknown> {
    const { lanes, steadyMs } = this.deps
    for (const untilMs = steadyMs() + patienceMs; ;) {
      const answer = await this.now(lane, act)
      if (answer) return answer.value
      if (steadyMs() > untilMs)
        throw problemError(503, 'Nobody carries this line out at the moment. Try again in a few seconds.')
      await new Promise((resolve) => setTimeout(resolve, againAfterMs))
      await lanes.askOwners()
    }
  }

  /** The same, where nobody is waited for. @returns null where nobody carries it out just now */
  async now(lane: Lane, act: LaneAct): Promise<{ value: unknown } | null> {
    const own = this.deps.here(lane, act)
    if (own) return { value: await own }
    const owner = this.deps.lanes.otherOwnerOf(lane)
    return owner === null ? null : this.ask(owner, lane, act)
  }

  /** An answer to something that was asked. */
  heardAnswer(number: number, value: unknown): void {
    this.asked.get(number)?.(value)
  }

  /** Something that another process asks for. @returns null where this one does not carry the lane out */
  async answer(lane: Lane, act: LaneAct): Promise<{ value: unknown } | null> {
    const own = this.deps.here(lane, act)
    return own && { value: await own }
  }

  /** @returns null where no answer came in time, or the other does not carry it out any more */
  private async ask(nodeId: string, lane: Lane, act: LaneAct): Promise<{ value: unknown } | null> {
    const number = this.count++
    let timer: ReturnType<typeof setTimeout> | undefined
    try {
      return await new Promise<{ value: unknown } | null>((resolve) => {
        timer = setTimeout(resolve, answersWithinMs, null)
        this.asked.set(number, (answer) => resolve(answer as { value: unknown } | null))
        this.deps.bus.send(nodeId, { type: 'ask', number, lane, act })
      })
    } finally {
      clearTimeout(timer)
      this.asked.delete(number)
    }
  }
}
