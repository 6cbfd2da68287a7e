import { plainPolicy } from '../../core/queue/policy.ts'
import { recoverQueue } from '../../core/queue/recover.ts'
import type { QueueCommand, QueueInput, QueueState } from '../../core/queue/state.ts'
import { nextWakeMs } from '../../core/queue/advance.ts'
import { step } from '../../core/queue/step.ts'
import { laneOfBox } from '../../core/response/lane.ts'
import type { NodeMark } from '../../server/db/queries/nodes.ts'
import { Lanes, type LaneRegister } from '../../server/lanes/lanes.ts'

const boxId = 'box'
const lane = laneOfBox(boxId)
export const playMs = 2_000

interface PlayKept {
  id: string
  state: 'waiting' | 'preparing' | 'playing' | 'over'
  startedAtMs: number | null
  shownCount: number
  outcomes: string[]
  enqueuedAtMs: number
}

/** The database of a simulated world: plays, one lane, and who lives, by a clock of its own. */
export class World {
  nowMs = 1_000_000
  isDown = false
  readonly plays = new Map<string, PlayKept>()
  readonly leases = new Map<string, { mark: NodeMark; untilMs: number; seenMs: number }>()
  owner: string | null = null
  epoch = 0
  /** What each source has begun to show, in order; nothing may be in it twice. */
  readonly shown = new Map<string, string[]>()
  /** Nodes that cannot reach the database, though others can. */
  readonly cut = new Set<string>()
  /** Begun by a node while the lane was another's; and begun on a source that was still showing something. */
  readonly stolen: string[] = []
  readonly cutOff: string[] = []

  private ask(nodeId: string): void {
    if (this.isDown || this.cut.has(nodeId)) throw new Error('down')
  }

  register(mark: NodeMark): LaneRegister {
    return {
      renew: async (leaseMs) => {
        this.ask(mark.id)
        this.leases.set(mark.id, { mark, untilMs: this.nowMs + leaseMs, seenMs: this.nowMs })
        const nodes = [...this.leases.values()].filter(({ untilMs }) => untilMs > this.nowMs)
        return {
          nodes: nodes.map((node) => node.mark),
          holds: this.owner === mark.id ? [{ lane, epoch: this.epoch }] : [],
        }
      },
      claim: async () => {
        this.ask(mark.id)
        const held = this.owner === null ? undefined : this.leases.get(this.owner)
        if (this.owner === mark.id || (held && held.untilMs > this.nowMs)) return []
        this.owner = mark.id
        this.epoch += 1
        return [{ channelId: 'channel', hold: { lane, epoch: this.epoch }, leftAt: new Date(held?.seenMs ?? 0) }]
      },
      release: async () => {
        this.ask(mark.id)
        if (this.owner === mark.id) this.owner = null
      },
      owners: async () => new Map(this.owner === null ? [] : [[lane, this.owner]]),
      leave: async () => void this.leases.delete(mark.id),
    }
  }

  add(id: string): void {
    const play = { id, state: 'waiting' as const, startedAtMs: null, shownCount: 0, outcomes: [] }
    this.plays.set(id, { ...play, enqueuedAtMs: this.nowMs })
  }

  /** @returns false where the lane is another's */
  record(nodeId: string, command: QueueCommand, epoch: number): boolean {
    this.ask(nodeId)
    if (epoch !== this.epoch) return false
    const play = 'playId' in command ? this.plays.get(command.playId) : undefined
    if (!play || play.state === 'over') return true
    if (command.type === 'recordPreparing') play.state = 'preparing'
    else if (command.type === 'recordStarted') Object.assign(play, { state: 'playing', startedAtMs: command.atMs })
    else if (command.type === 'recordShown') play.shownCount = 1
    else if (command.type === 'recordReturned') Object.assign(play, { state: 'waiting', startedAtMs: null })
    else if (command.type === 'recordEnded') {
      play.state = 'over'
      play.outcomes.push(command.outcome)
    }
    return true
  }
}

/** A server of the simulated world, with one source: everything that decides is the product's own. */
export class SimulatedOwner {
  readonly id: string
  lanes: Lanes
  queue: QueueState | null = null
  isStill = false
  private epoch = 0
  private readonly unwritten: QueueCommand[] = []
  private readonly known = new Set<string>()
  private showing: { playId: string; untilMs: number; beganMs: number } | null = null
  private loaded: string | null = null

  constructor(
    private readonly world: World,
    private readonly source: string,
    number: number,
    /** Its clock goes by so much faster than the database's. */
    private readonly pace: number,
  ) {
    this.id = `node-${source}-${number}`
    const mark = { id: this.id, machine: 'somewhere', process: this.id, seal: '' }
    if (!world.shown.has(source)) world.shown.set(source, [])
    this.lanes = new Lanes({
      mark,
      register: world.register(mark),
      isAlone: false,
      steadyMs: () => this.nowMs,
      isGone: () => false,
      onTaken: async ([claimed]) => this.open(claimed?.hold.epoch ?? 0, claimed?.leftAt?.getTime() ?? 0),
      onLost: () => void (this.queue = null),
      onSure: (isSure) => this.input({ type: 'doubted', isInDoubt: !isSure }),
      onNodes: () => undefined,
      onError: () => undefined,
    })
  }

  private get nowMs(): number {
    return Math.round(this.world.nowMs * this.pace)
  }

  private open(epoch: number, aliveAtMs: number): void {
    this.epoch = epoch
    this.unwritten.length = 0
    const plays = [...this.world.plays.values()].filter(({ state }) => state !== 'over')
    plays.sort((a, b) => a.enqueuedAtMs - b.enqueuedAtMs)
    for (const { id } of plays) this.known.add(id)
    const recorded = plays.map(({ id, state, startedAtMs, shownCount }) => ({
      ticket: { playId: id, enqueuedAtMs: this.nowMs, lengthMs: playMs },
      state: state as 'waiting' | 'preparing' | 'playing',
      startedAtMs: startedAtMs === null ? null : Math.min(this.nowMs, startedAtMs),
      shownCount,
    }))
    const { state, commands } = recoverQueue(recorded, null, false, this.nowMs, aliveAtMs)
    this.queue = state
    this.carryOut(commands)
    this.input({
      type: 'sourceJoined',
      sourceId: this.source,
      shownPlayIds: this.world.shown.get(this.source) ?? [],
      showing: this.showing && { playId: this.showing.playId, atMs: this.world.nowMs - this.showing.beganMs },
    })
  }

  /** As the runtime of a box does: looked at in the moment in which something may begin. */
  input(input: QueueInput): void {
    if (!this.queue) return
    const isInDoubt = !this.lanes.isSure
    for (const each of [
      ...(isInDoubt !== this.queue.isInDoubt ? [{ type: 'doubted' as const, isInDoubt }] : []),
      ...(input.type === 'doubted' ? [] : [input]),
    ]) {
      const { state, commands } = step(this.queue, each, this.nowMs, plainPolicy)
      this.queue = state
      this.carryOut(commands)
    }
  }

  private carryOut(commands: readonly QueueCommand[]): void {
    for (const command of commands) {
      if (command.type === 'prepare') this.loaded = command.playId
      else if (command.type === 'start') this.begin(command.playId)
      else if (command.type.startsWith('record')) this.unwritten.push(command)
    }
  }

  private begin(playId: string): void {
    const shown = this.world.shown.get(this.source) ?? []
    if (this.world.owner !== this.id) this.world.stolen.push(`${playId} by ${this.id}`)
    if (this.showing) this.world.cutOff.push(this.showing.playId)
    shown.push(playId)
    this.showing = { playId, beganMs: this.world.nowMs, untilMs: this.world.nowMs + playMs }
    this.loaded = null
  }

  /**
   * A moment of its life. What was recorded in the last one is written, its source does what sources do, and only then it looks
   * whose lane it is: whoever was away acts on what it believed before.
   */
  async live(): Promise<void> {
    if (this.isStill) return
    this.write()
    this.tellSource()
    if (this.queue) {
      const wakeMs = nextWakeMs(this.queue, this.nowMs, plainPolicy)
      if (this.queue.isInDoubt || (wakeMs !== null && wakeMs <= this.nowMs)) this.input({ type: 'ticked' })
      this.takeUp()
    }
    this.tellSource()
    await this.lanes.lookNow().catch(() => undefined)
  }

  private tellSource(): void {
    const reached = (playId: string, progress: 'ready' | 'started' | 'done') =>
      this.input({ type: 'sourceProgress', sourceId: this.source, playId, progress })
    if (this.loaded && !this.showing) reached(this.loaded, 'ready')
    if (!this.showing) return
    const { playId, untilMs } = this.showing
    reached(playId, 'started')
    if (this.world.nowMs < untilMs) return
    this.showing = null
    reached(playId, 'done')
  }

  private takeUp(): void {
    if (this.world.isDown || this.world.cut.has(this.id)) return
    for (const { id, state } of this.world.plays.values()) {
      if (state === 'over' || this.known.has(id)) continue
      this.known.add(id)
      this.input({ type: 'enqueued', tickets: [{ playId: id, enqueuedAtMs: this.nowMs, lengthMs: playMs }] })
    }
  }

  private write(): void {
    while (this.queue && this.unwritten[0]) {
      try {
        if (!this.world.record(this.id, this.unwritten[0], this.epoch)) this.lanes.lost(lane)
      } catch {
        return
      }
      this.unwritten.shift()
    }
  }
}
