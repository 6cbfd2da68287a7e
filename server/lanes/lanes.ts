import type { Lane } from '../../core/response/lane.ts'
import { isTransient } from '../db/trouble.ts'
import { noAnswer, withinMs } from '../db/probe.ts'
import type { Claimed, NodeMark, Renewed } from '../db/queries/nodes.ts'
import type { LaneHold } from '../db/queries/playRecords.ts'
import { Turns } from '../../core/turns.ts'

/** The table of nodes and lanes, wherever it lies. */
export interface LaneRegister {
  renew(leaseMs: number): Promise<Renewed>
  claim(gone: readonly string[]): Promise<Claimed[]>
  /** Null: all that are this node's. */
  release(lanes: readonly Lane[] | null): Promise<void>
  owners(): Promise<Map<Lane, string>>
  /** This node is gone for good. */
  leave(): Promise<void>
}

export interface LanesDependencies {
  mark: NodeMark
  register: LaneRegister
  /** No other process can be on the database: nothing runs out. */
  isAlone: boolean
  /** The steady clock. */
  steadyMs: () => number
  isGone: (mark: NodeMark) => boolean
  /** These are this node's from now on. */
  onTaken: (claimed: readonly Claimed[]) => Promise<void>
  /** It is another's by now. */
  onLost: (lane: Lane) => void
  /** Whether lanes are surely this node's has changed. */
  onSure: (isSure: boolean) => void
  /** Who else is there. */
  onNodes: (nodeIds: ReadonlySet<string>) => void
  /** Something went wrong; it is tried again. */
  onError: (error: unknown) => void
}

/** What a node promises to be alive for: short where another can take over, long where there is none. */
const leaseMs = 3_000
const leaseAloneMs = 15_000
/** Of a lease so much is counted on: clocks of two machines do not go alike to the last tick. */
const countedOn = 0.95
const renewEveryMs = 700
const renewAloneEveryMs = 5_000
const answersWithinMs = 2_000
const startsWithinMs = 30_000
const againAfterMs = 300

/**
 * Knows which lanes this node carries out. It says again and again that it lives; lanes of nodes that have not said so for the
 * time of a lease, or whose process is gone, are taken over. A node that cannot renew its lease counts its lanes as doubtful
 * before anybody else can take them: no two ever carry out one lane.
 */
export class Lanes {
  private readonly held = new Map<Lane, LaneHold>()
  private readonly owners = new Map<Lane, string>()
  private nodes: ReadonlySet<string> = new Set()
  private sureUntilMs = -Infinity
  private wasSure = false
  private timer: ReturnType<typeof setTimeout> | null = null
  private doubt: ReturnType<typeof setTimeout> | null = null
  private isClosed = false
  private hasLooked = false
  private readonly turns = new Turns()

  constructor(private readonly deps: LanesDependencies) {
    this.nodes = new Set([deps.mark.id])
  }

  get nodeId(): string {
    return this.deps.mark.id
  }

  /** Whether others share the database just now. */
  get hasOthers(): boolean {
    return this.nodes.size > 1
  }

  others(): string[] {
    return [...this.nodes].filter((id) => id !== this.nodeId)
  }

  /** Whether nobody else can have taken this node's lanes. */
  get isSure(): boolean {
    return this.deps.isAlone || this.deps.steadyMs() < this.sureUntilMs
  }

  /** The lanes that this node carries out. */
  own(): Lane[] {
    return [...this.held.keys()]
  }

  /** Who carries out a lane; null: nobody, as far as is known. */
  ownerOf(lane: Lane): string | null {
    if (this.held.has(lane)) return this.nodeId
    const owner = this.owners.get(lane)
    return owner !== undefined && owner !== this.nodeId ? owner : null
  }

  /** Which other node carries out a lane; null: this one, or nobody as far as is known. */
  otherOwnerOf(lane: Lane): string | null {
    const owner = this.ownerOf(lane)
    return owner === this.nodeId ? null : owner
  }

  /**
   * Says that this node lives, takes what is free and goes on so. A database that is still busy with what a process before
   * this one left to it is waited for.
   * @throws where it does not answer for half a minute
   */
  async start(): Promise<void> {
    const { opened } = await this.firstLook()
    // What was taken may be long to take up, and a lease is short.
    this.plan()
    await opened
  }

  private async firstLook(): Promise<{ opened: Promise<void> }> {
    const { steadyMs, onError } = this.deps
    for (const untilMs = steadyMs() + startsWithinMs; ;) {
      try {
        return await this.turns.take(() => this.look())
      } catch (error) {
        if (!isTransient(error) || steadyMs() > untilMs) throw error
        onError(error)
        await new Promise((resolve) => setTimeout(resolve, againAfterMs))
      }
    }
  }

  /** Looks now whether something is free. Resolves when what was taken is carried out. */
  async lookNow(): Promise<void> {
    await (
      await this.turns.take(() => this.look())
    ).opened
  }

  /** Another says that these are its own. */
  heardTaken(lanes: readonly Lane[], by: string): void {
    for (const lane of lanes) {
      this.owners.set(lane, by)
      if (this.held.has(lane)) void this.lookNow().catch(this.deps.onError)
    }
  }

  /** Asks anew who carries out what. */
  async askOwners(): Promise<void> {
    const owners = await this.deps.register.owners()
    this.owners.clear()
    for (const [lane, owner] of owners) this.owners.set(lane, owner)
  }

  /** Lets go of a lane that this node does not carry out, or that nobody is to carry out any more. */
  async letGo(lane: Lane): Promise<void> {
    this.held.delete(lane)
    await this.deps.register.release([lane])
  }

  /** Says that a lane is another's: a write was refused. */
  lost(lane: Lane): void {
    if (!this.held.delete(lane)) return
    this.deps.onLost(lane)
  }

  /** Stops looking. What is this node's stays so until `leave`. */
  stop(): void {
    this.isClosed = true
    if (this.timer) clearTimeout(this.timer)
    if (this.doubt) clearTimeout(this.doubt)
  }

  /** Lets all lanes go: whoever looks next takes them. Everything has to be written by then. */
  async leave(): Promise<void> {
    await this.turns.settled()
    await this.deps.register.release(null)
    await this.deps.register.leave()
  }

  private plan(): void {
    if (this.isClosed) return
    this.timer = setTimeout(
      () => {
        // What was taken may take long to be taken up: the next look does not wait for that.
        void this.turns
          .take(() => this.look())
          .then(({ opened }) => void opened.catch(this.deps.onError), this.deps.onError)
          .then(() => this.plan())
      },
      this.deps.isAlone ? renewAloneEveryMs : renewEveryMs,
    )
    this.timer.unref()
  }

  private async look(): Promise<{ opened: Promise<void> }> {
    const { deps } = this
    const sentMs = deps.steadyMs()
    const promisedMs = this.hasOthers ? leaseMs : leaseAloneMs
    const sureUntilMs = sentMs + promisedMs * countedOn
    // A promise that is shorter than the last counts from when it is sent: whether it arrives is not known before.
    this.sureUntilMs = Math.min(this.sureUntilMs, sureUntilMs)
    const { nodes, holds } = await inTime(deps.register.renew(promisedMs))
    this.sureUntilMs = sureUntilMs
    if (!this.hasLooked) this.refuseStrangers(nodes)
    this.hasLooked = true
    const gone = nodes.filter((mark) => mark.id !== this.nodeId && deps.isGone(mark)).map(({ id }) => id)
    const strange = this.compare(holds)
    this.noteSure()
    this.noteNodes(new Set(nodes.map(({ id }) => id).filter((id) => !gone.includes(id))))
    if (this.isClosed) return { opened: Promise.resolve() }
    if (strange.length > 0) await inTime(deps.register.release(strange))
    const claimed = await inTime(deps.register.claim(gone))
    for (const { hold } of claimed) {
      this.held.set(hold.lane, hold)
      this.owners.set(hold.lane, this.nodeId)
    }
    return { opened: claimed.length > 0 ? deps.onTaken(claimed) : Promise.resolve() }
  }

  /** @throws where another process seals addresses in another way: what one gives out the other would refuse */
  private refuseStrangers(nodes: readonly NodeMark[]): void {
    if (nodes.every(({ seal }) => seal === this.deps.mark.seal)) return
    throw new Error(
      'Thundercrest cannot start: another process on this database has another secret. Give all of them the same data folder, or the same THUNDERCREST_SECRET.',
    )
  }

  /**
   * What the register says is not this node's any more is given up.
   * @returns lanes that are this node's without its knowing: the answer to its claim was lost
   */
  private compare(holds: readonly LaneHold[]): Lane[] {
    const known = new Map(holds.map(({ lane, epoch }) => [lane, epoch]))
    for (const [lane, { epoch }] of this.held) if (known.get(lane) !== epoch) this.lost(lane)
    return holds.flatMap(({ lane }) => (this.held.has(lane) ? [] : [lane]))
  }

  private noteSure(): void {
    const { isSure } = this
    if (this.doubt) clearTimeout(this.doubt)
    if (!this.deps.isAlone && isSure) {
      this.doubt = setTimeout(() => this.noteSure(), this.sureUntilMs - this.deps.steadyMs() + 1)
      this.doubt.unref()
    }
    if (isSure === this.wasSure) return
    this.wasSure = isSure
    this.deps.onSure(isSure)
  }

  private noteNodes(nodes: ReadonlySet<string>): void {
    const isSame = nodes.size === this.nodes.size && [...nodes].every((id) => this.nodes.has(id))
    this.nodes = nodes
    if (!isSame) this.deps.onNodes(nodes)
  }
}

/** @throws where it takes so long that the next look should not wait for it */
const inTime = <T>(work: Promise<T>) => withinMs(answersWithinMs, work, noAnswer)
