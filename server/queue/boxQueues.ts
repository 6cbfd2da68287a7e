import { byText } from '../../core/byText.ts'
import type { Logger } from 'pino'
import type { BoxPolicy } from '../../core/queue/policy.ts'
import { recoverQueue } from '../../core/queue/recover.ts'
import type { QueueInput } from '../../core/queue/state.ts'
import type { Ticket } from '../../core/queue/ticket.ts'
import type { ToSource } from '../../contract/sourceMessages.ts'
import type { Database } from '../db/handle.ts'
import type { BoxRow } from '../db/queries/boxes.ts'
import type { LaneHold } from '../db/queries/playRecords.ts'
import { findPlay, listMembers, listOpenPlays, listPlays, mergePlaySpeech, type PlayRow } from '../db/queries/plays.ts'
import type { EarnedPlay } from '../ingest/decideEvents.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import { localMoment } from '../../core/time/localMoment.ts'
import type { KnownSource } from '../realtime/sourceRooms.ts'
import type { Clock } from '../system/clock.ts'
import type { BoxAct, Said } from './boxAct.ts'
import { BoxRuntime } from './boxRuntime.ts'
import { waitingListed } from './laneView.ts'
import { BoxPolicies } from './boxPolicies.ts'
import { asReady, ticketOf } from './keptLine.ts'
import type { Shows } from './shows.ts'

export interface QueueDependencies {
  db: Database
  logger: Logger
  clock: Clock
  shows: Shows
  onAir: Pick<OnAirCache, 'read' | 'listen'>
  /** What the studio of a channel shows; null where none says. */
  sceneOf: (channelId: string) => Promise<string | null>
  /** To sources, each by the process that it is connected to; null: this one. */
  send: (nodeId: string | null, boxId: string, sourceIds: readonly string[], message: ToSource) => void
  /** Whether lanes are surely this process's. */
  isSure: () => boolean
  /** A write was refused: the lane is another's by now. */
  onLaneLost: (boxId: string) => void
  /** Nobody is to carry out a lane any more. */
  letGo: (boxId: string) => Promise<void>
  /** Told of failures of the database; whether it is one that passes by itself. */
  noteTrouble: (error: unknown) => boolean
  onChange: (channelId: string, boxId: string) => void
  /** Something that is kept of a play has changed. */
  onPlayChanged: (channelId: string, playId: string) => void
  onStarted: (waitedMs: number) => void
  /** A play has begun to be shown, or is over. */
  onPlay: (channelId: string, playId: string, is: 'started' | 'over', reason: string) => void
}

interface OpenBox {
  runtime: BoxRuntime
  channelId: string
  /** As it was written down when it was put in force; null: the box was never put on air. */
  policy: BoxPolicy | null
  /** Of sources that are connected elsewhere, where. */
  nodes: Map<string, string>
}

/** A play has been written down after so long, or will be when the database is back. */
const writtenWithinMs = 2_000

function verdictOf(said: Said, isHeard: boolean): string {
  if ('reason' in said) return `Not read: ${said.reason}.`
  return isHeard ? `Silenced by ${said.by}.` : `Not read: ${said.by} said so.`
}

/** The queues of the boxes that this process carries out. Where a box is carried out is for `Lines` to know. */
export class BoxQueues {
  private readonly boxes = new Map<string, OpenBox>()
  private readonly policies: BoxPolicies

  constructor(private readonly deps: QueueDependencies) {
    this.policies = new BoxPolicies({ ...deps, boxes: () => this.boxes })
  }

  /**
   * Takes up the queue of a box where it was left.
   * @param hold its lane as it was taken
   * @param aliveAt when it was last known to be carried out; null: never
   */
  async open(box: BoxRow, hold: LaneHold, aliveAt: Date | null = null): Promise<void> {
    const { db, logger, clock, noteTrouble } = this.deps
    const steady = (at: Date | null) => at && clock.steadyOf(at.getTime())
    const open = await listOpenPlays(db, box.id)
    const { timeZone } = await this.deps.onAir.read(box.channelId)
    const written = await this.policies.onAir(box.channelId, box.id)
    const policy = asReady(written)
    const members = await listMembers(db, box.id)
    const recorded = open.map((play) => ({
      ticket: ticketOf(play, clock, members.get(play.id)),
      state: play.state as 'waiting' | 'preparing' | 'playing',
      startedAtMs: steady(play.startedAt),
      shownCount: play.shownCount,
    }))
    const nowMs = clock.steadyMs()
    const { state, commands } = recoverQueue(
      recorded,
      steady(box.absentSince),
      box.isHeld,
      nowMs,
      steady(aliveAt) ?? nowMs,
      policy,
    )
    const nodes = new Map<string, string>()
    const runtime = new BoxRuntime(box.id, hold, state, {
      db,
      logger,
      clock,
      policy,
      minuteAt: (wallMs) => localMoment(wallMs, timeZone).minute,
      send: (boxId, sourceIds, message) => this.send(boxId, sourceIds, message),
      showPlay: (ticket) => this.deps.shows.show(ticket.playId, ticket),
      noteTrouble,
      isSure: this.deps.isSure,
      onLaneLost: this.deps.onLaneLost,
      onWithheld: (playId, reason) =>
        void this.setVoice(box.id, playId, false, { reason }).catch((error: unknown) =>
          logger.error({ playId, err: error }, 'a play could not be let go on without its voice'),
        ),
      onChange: () => this.deps.onChange(box.channelId, box.id),
      onStarted: (_boxId, waitedMs) => this.deps.onStarted(waitedMs),
      onPlay: (playId, is, reason) => this.deps.onPlay(box.channelId, playId, is, reason),
    })
    this.boxes.set(box.id, { runtime, channelId: box.channelId, policy: written, nodes })
    this.policies.lookAtScenes(box.channelId)
    // Those that were too many end here, and that takes a while to be written.
    runtime.remember(open.map(({ id }) => id))
    runtime.carryOut(commands)
    this.deps.onChange(box.channelId, box.id)
    // What was written while it was read, and found no line here yet.
    await this.takeUpBox(box.id)
  }

  /**
   * Takes up what is open in the database and in no line: what was written while nobody could say so.
   * @throws where the database does not answer
   */
  async takeUp(): Promise<number> {
    let count = 0
    for (const boxId of this.boxes.keys()) count += await this.takeUpBox(boxId)
    return count
  }

  private async takeUpBox(boxId: string): Promise<number> {
    let count = 0
    for (const play of await listOpenPlays(this.deps.db, boxId)) count += this.takeUpOne(play)
    return count
  }

  /** Takes up plays that somebody else has written, as far as they are there. */
  async takeUpPlays(ids: readonly string[]): Promise<void> {
    const unknown = ids.filter((id) => ![...this.boxes.values()].some(({ runtime }) => runtime.knows(id)))
    const found = await listPlays(this.deps.db, unknown)
    found.sort((a, b) => a.enqueuedAt.getTime() - b.enqueuedAt.getTime() || byText(a.id, b.id))
    for (const play of found) if (play.outcome === null) this.takeUpOne(play)
  }

  private takeUpOne(play: PlayRow): number {
    const runtime = this.find(play.boxId)
    if (!runtime || runtime.knows(play.id)) return 0
    runtime.input({ type: 'enqueued', tickets: [ticketOf(play, this.deps.clock)] })
    this.speakAhead(play.boxId, play.id)
    return 1
  }

  /** Puts plays that are kept into the line of their box. */
  add(boxId: string, ...tickets: Ticket[]): void {
    const nowMs = this.deps.clock.steadyMs()
    this.find(boxId)?.input({
      type: 'enqueued',
      // They came just now, whatever the wall clock has been set to since.
      tickets: tickets.map((ticket) => ({ ...ticket, enqueuedAtMs: nowMs })),
    })
  }

  /** Puts plays into their lines, all of a line at once; they must be durable already. */
  enqueue(plays: readonly EarnedPlay[]): void {
    const byBox = new Map<string, Ticket[]>()
    for (const { boxId, ticket, speaks, show, hasEmotes } of plays) {
      if (!this.boxes.has(boxId)) continue
      if (!speaks) this.deps.shows.remember(ticket.playId, show, hasEmotes)
      const tickets = byBox.get(boxId)
      if (tickets) tickets.push(ticket)
      else byBox.set(boxId, [ticket])
    }
    for (const [boxId, tickets] of byBox) this.add(boxId, ...tickets)
    for (const { boxId, ticket, speaks } of plays) if (speaks) this.speakAhead(boxId, ticket.playId)
  }

  /** The queue of a box; undefined for one that is put away or carried out elsewhere. */
  find(boxId: string): BoxRuntime | undefined {
    return this.boxes.get(boxId)?.runtime
  }

  /** Something for the line of a box that a source said, or that is to happen there. @param nodeId where the source is; null: here */
  input(boxId: string, input: QueueInput, nodeId: string | null = null): void {
    const box = this.boxes.get(boxId)
    if (!box) return
    if (nodeId !== null && input.type === 'sourceJoined') box.nodes.set(input.sourceId, nodeId)
    box.runtime.input(input)
    if (input.type === 'sourceLeft') box.nodes.delete(input.sourceId)
  }

  /** Brings the sources that are connected to a process into the line of a box: those that left go, those that came join. */
  reconcile(boxId: string, nodeId: string | null, sources: readonly KnownSource[]): void {
    const box = this.boxes.get(boxId)
    if (!box) return
    const there = new Set(sources.map(({ sourceId }) => sourceId))
    const own = Object.keys(box.runtime.state.sources).filter((id) => (box.nodes.get(id) ?? null) === nodeId)
    for (const sourceId of own) if (!there.has(sourceId)) this.input(boxId, { type: 'sourceLeft', sourceId })
    for (const source of sources)
      if (!(source.sourceId in box.runtime.state.sources))
        this.input(boxId, { type: 'sourceJoined', ...source }, nodeId)
  }

  /** Sources of processes that are gone are gone. */
  keepNodes(nodeIds: ReadonlySet<string>): void {
    for (const [boxId, { nodes }] of this.boxes)
      for (const [sourceId, nodeId] of [...nodes])
        if (!nodeIds.has(nodeId)) this.input(boxId, { type: 'sourceLeft', sourceId })
  }

  /** Whether lanes are surely this process's has changed. */
  doubt(isInDoubt: boolean): void {
    for (const { runtime } of this.boxes.values()) runtime.input({ type: 'doubted', isInDoubt })
  }

  /** The lane of a box is another's: nothing more is done or written here. */
  drop(boxId: string): void {
    this.boxes.get(boxId)?.runtime.abandon()
    this.boxes.delete(boxId)
  }

  /** The boxes that are carried out here, with their channels. */
  opened(): { boxId: string; channelId: string }[] {
    return [...this.boxes].map(([boxId, { channelId }]) => ({ boxId, channelId }))
  }

  /** The channels of which somebody shows something just now. */
  channelsWithSources(): Set<string> {
    const channels = new Set<string>()
    for (const { runtime, channelId } of this.boxes.values())
      if (Object.keys(runtime.state.sources).length > 0) channels.add(channelId)
    return channels
  }

  /** Carries out what a person wants of a box. @throws Error for a box that is not carried out here */
  async act(boxId: string, act: BoxAct): Promise<unknown> {
    const runtime = this.find(boxId)
    if (!runtime) throw new Error(`BoxQueues: box ${boxId} is not carried out here`)
    switch (act.do) {
      case 'skip':
        runtime.input({ type: 'removed', playId: act.playId, outcome: 'skipped', reason: act.reason })
        return runtime.isSettledWithin(writtenWithinMs)
      case 'hold':
        return runtime.input({ type: 'held', isHeld: act.isHeld })
      case 'takePolicy':
        return this.policies.take(boxId)
      case 'clear':
        return runtime.input({ type: 'cleared', reason: act.reason })
      case 'putBack':
        return runtime.input({ type: 'putBack' })
      case 'panic':
        return runtime.panic(act.isOn, act.reason)
      case 'judge':
        return this.judge(boxId, runtime, act)
      case 'moveUp':
        return runtime.moveUp(act.playId)
      case 'voice':
        return this.setVoice(boxId, act.playId, act.isRead, act.said)
      case 'switchVoices':
        return this.switchVoices(boxId, act.isOn, act.by)
      case 'putAway':
        return this.putAway(boxId)
      case 'show':
        return this.deps.shows.show(act.playId, runtime.ticketOf(act.playId))
      case 'countSources':
        return Object.keys(runtime.state.sources).length
    }
  }

  /** Whoever lets a play be shown has seen what it says: it may be read, too. @returns whether it waited for that */
  private async judge(
    boxId: string,
    runtime: BoxRuntime,
    { playId, isLet, by }: Extract<BoxAct, { do: 'judge' }>,
  ): Promise<'done' | 'unknown'> {
    const waiting = runtime.state.line.find(playId)
    if (waiting?.aside?.for !== 'showing') return 'unknown'
    if (isLet && waiting.ticket.isAwaiting) await this.setVoice(boxId, playId, true, { by })
    runtime.input({ type: 'judged', playId, isLet, reason: `not let by ${by}` })
    await runtime.isSettledWithin(writtenWithinMs)
    return 'done'
  }

  /** Ends the queue of a box that is put away: what plays stops, what waits is let go, and the log says why. */
  private async putAway(boxId: string): Promise<void> {
    const runtime = this.find(boxId)
    if (!runtime) return
    const { current, line, beside } = runtime.state
    const reason = 'its box was put away'
    const open = [...line.inOrder(), ...beside, ...(current ? [current] : [])].map(({ ticket }) => ticket)
    for (const { playId } of open) runtime.input({ type: 'removed', playId, outcome: 'skipped', reason })
    this.boxes.delete(boxId)
    await runtime.close()
    await this.deps.letGo(boxId)
  }

  /** Has the voices of a waiting play speak while it waits, so that it is known how long it lasts. */
  speakAhead(boxId: string, playId: string): void {
    this.deps.shows.prepareAhead(playId, (lengthMs) => this.find(boxId)?.input({ type: 'measured', playId, lengthMs }))
  }

  /**
   * Lets what a viewer wrote be read, or not. Where it is being read, the voice goes silent; everything else goes on.
   * @param said who said so, or why nobody did
   * @returns whether that was done, there is no such play in the box, or it is over
   */
  async setVoice(boxId: string, playId: string, isRead: boolean, said: Said): Promise<'done' | 'unknown' | 'over'> {
    const runtime = this.find(boxId)
    if (!runtime) return 'unknown'
    const isCurrent = () => runtime.state.current?.ticket.playId === playId
    const wasCurrent = isCurrent()
    const isWaiting = runtime.state.line.find(playId) !== null
    const silence = () => {
      this.deps.shows.silence(playId)
      this.send(boxId, Object.keys(runtime.state.sources), { type: 'silence', playId })
    }
    // Before anything is read or written: it is being heard.
    if (!isRead && wasCurrent) silence()
    const play = await findPlay(this.deps.db, playId)
    if (play?.boxId !== boxId) return 'unknown'
    // What is over was heard, or was not: nothing that is said now changes that.
    if (!wasCurrent && !isWaiting) return 'over'
    const verdict = isRead ? null : verdictOf(said, wasCurrent)
    await mergePlaySpeech(this.deps.db, playId, { verdict }, { approval: isRead ? 'given' : 'withheld' })
    const channelId = this.boxes.get(boxId)?.channelId
    if (channelId !== undefined) this.deps.onPlayChanged(channelId, playId)
    if (!wasCurrent) this.deps.shows.forget(playId)
    // Its turn came while that was written.
    if (!isRead && !wasCurrent && isCurrent()) silence()
    else if (!wasCurrent) this.speakAhead(boxId, playId)
    runtime.input({ type: 'released', playId })
    return 'done'
  }

  /** Voices were switched off or on: what is being read goes silent, and what waits is settled anew. */
  private async switchVoices(boxId: string, isOn: boolean, by: string): Promise<void> {
    const runtime = this.find(boxId)
    if (!runtime) return
    const current = runtime.state.current?.ticket.playId
    if (current !== undefined && !isOn) await this.setVoice(boxId, current, false, { by })
    const waiting = [...runtime.state.line.inOrder()].map(({ ticket }) => ticket)
    for (const { playId } of waiting) this.deps.shows.forget(playId)
    for (const { playId } of waiting.slice(0, waitingListed)) this.speakAhead(boxId, playId)
  }

  /** Each source is told by the process that it is connected to. */
  private send(boxId: string, sourceIds: readonly string[], message: ToSource): void {
    const nodes = this.boxes.get(boxId)?.nodes
    if (!nodes || nodes.size === 0) return this.deps.send(null, boxId, sourceIds, message)
    const byNode = new Map<string | null, string[]>()
    for (const id of sourceIds) {
      const nodeId = nodes.get(id) ?? null
      byNode.set(nodeId, [...(byNode.get(nodeId) ?? []), id])
    }
    for (const [nodeId, ids] of byNode) this.deps.send(nodeId, boxId, ids, message)
  }

  /** The studio of a channel has said something. */
  studioChanged(channelId: string): void {
    this.policies.lookAtScenes(channelId)
  }

  async close(): Promise<void> {
    this.policies.close()
    await Promise.all([...this.boxes.values()].map(({ runtime }) => runtime.close()))
  }
}
