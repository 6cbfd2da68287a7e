import { boxOfLane, channelOfLane, laneOfBox, type Lane } from '../../core/response/lane.ts'
import type { LiveTopic } from '../live/topic.ts'
import { laneViewOf, type LaneView } from '../queue/laneView.ts'
import type { BoxQueues } from '../queue/boxQueues.ts'
import type { ConnectedView, SourceRooms } from '../realtime/sourceRooms.ts'
import type { Clock } from '../system/clock.ts'
import type { ToStudio } from '../../contract/studioLink.ts'
import type { Asks } from './asks.ts'
import type { Bus } from './bus.ts'
import type { Lanes } from './lanes.ts'
import type { BusMessage } from './messages.ts'

interface NeighboursDependencies {
  bus: Bus
  clock: Clock
  lanes: Lanes
  queues: BoxQueues
  asks: Asks
  /** Viewers of these channels have set something off. */
  wakeCalls: (channelIds: readonly string[]) => void
  /** Others carry these lanes out by now: they are told of the studios that are connected here. */
  retellStudio: (lanes: readonly Lane[]) => void
  /** Something for the studio of a channel, if it is connected here. */
  toStudio: (channelId: string, message: ToStudio) => void
  rooms: SourceRooms
  /** What is kept at hand of a channel or a feed is not true any more; both null: nothing is. */
  forget: (channelId: string | null, feedId: string | null) => void
  /** Something of a channel's media has changed. */
  libraryChanged: (channelId: string) => void
  /** Screens here show something else now; null: all of them. */
  changed: (channelId: string | null, topic?: LiveTopic) => void
  sessionEnded: (sessionId: string) => void
  /** Something happened in a channel that its boards may show. */
  happened: (channelId: string) => void
  /** Channels of which screens are open here. */
  watched: () => string[]
  onError: (error: unknown) => void
}

const watchEveryMs = 5_000
const watchedForMs = 13_000
const rosterEveryMs = 15_000
/** So often others hear how a line, and how its sources stand. */
const lineEveryMs = 120
const sourcesEveryMs = 700
/** More at once, and everything is read anew. */
const topicsTold = 100
/** What is written in one breath is taken up together. */
const wakeAfterMs = 3

/**
 * What the processes on one database tell each other: whose lanes are whose, what sources say and are told, what is not true any
 * more, and what screens elsewhere show. With one process alone it has nobody to talk to.
 */
export class Neighbours {
  /** Until when others have screens open, by channel and node. */
  private readonly watchers = new Map<string, Map<string, number>>()
  private readonly lines = new Map<string, LaneView>()
  private readonly sources = new Map<string, Map<string, ConnectedView[]>>()
  /** What of a channel others are told has changed, with the next message. */
  private readonly topics = new Map<string, Set<LiveTopic>>()
  private readonly woken = new Set<string>()
  private isAllWoken = false
  private isWaking = false
  private readonly planned = new Map<string, ReturnType<typeof setTimeout>>()
  private readonly watching: ReturnType<typeof setInterval>
  private readonly telling: ReturnType<typeof setInterval>

  constructor(private readonly deps: NeighboursDependencies) {
    deps.bus.listen({ hear: (message, from) => this.hear(message, from), onGap: () => void this.gap() })
    this.watching = setInterval(() => this.watch(), watchEveryMs)
    this.watching.unref()
    // What was lost on the way is made good.
    this.telling = setInterval(() => this.tellRosters(), rosterEveryMs)
    this.telling.unref()
  }

  close(): void {
    clearInterval(this.watching)
    clearInterval(this.telling)
    for (const timer of this.planned.values()) clearTimeout(timer)
    this.planned.clear()
  }

  /** How the line of a box stands, as far as that is known here; null: nobody has said. */
  line(boxId: string): LaneView | null {
    const { queues, clock } = this.deps
    const runtime = queues.find(boxId)
    if (!runtime) return this.lines.get(boxId) ?? null
    const { state, policy } = runtime
    return laneViewOf(boxId, { state, policy, nowMs: clock.steadyMs(), wallOf: (steadyMs) => clock.wallOf(steadyMs) })
  }

  /** The sources of a box, here and elsewhere. */
  sourcesOf(boxId: string): ConnectedView[] {
    return [...this.deps.rooms.views(boxId), ...[...(this.sources.get(boxId)?.values() ?? [])].flat()]
  }

  /** Lanes were taken: others bring their sources, those that are here join at once. */
  taken(lanes: readonly Lane[]): void {
    const { bus, queues, rooms } = this.deps
    for (const lane of lanes) {
      const boxId = boxOfLane(lane)
      if (boxId === null) continue
      this.lines.delete(boxId)
      queues.reconcile(boxId, null, rooms.known(boxId))
    }
    bus.publish({ type: 'taken', lanes: [...lanes] })
  }

  /** A lane is another's by now: whoever has it is told of the sources that are connected here. */
  async laneLost(lane: Lane): Promise<void> {
    const { lanes, onError } = this.deps
    if (lanes.ownerOf(lane) === null) await lanes.askOwners().catch(onError)
    const owner = lanes.otherOwnerOf(lane)
    if (owner !== null) this.tellRoster(owner)
  }

  /** The line of a box that is carried out here has changed. */
  lineChanged(channelId: string, boxId: string): void {
    this.tellSoon(`line ${boxId}`, lineEveryMs, channelId, () => {
      const view = this.deps.queues.find(boxId) ? this.line(boxId) : null
      return view && { type: 'lane', channelId, view }
    })
  }

  /** Of the sources of a box that are connected here something is new. */
  sourcesChanged(channelId: string, boxId: string): void {
    this.tellSoon(`sources ${boxId}`, sourcesEveryMs, channelId, () => ({
      type: 'sources',
      channelId,
      boxId,
      sources: this.deps.rooms.views(boxId),
    }))
  }

  /** Something else of a channel has changed: screens elsewhere read it anew. */
  channelChanged(channelId: string, topic: LiveTopic): void {
    const topics = this.topics.get(channelId) ?? new Set<LiveTopic>()
    this.topics.set(channelId, topics.size < topicsTold ? topics.add(topic) : new Set<LiveTopic>(['all']))
    const isPlanned = this.tellSoon(`channel ${channelId}`, lineEveryMs, channelId, () => {
      const told = [...(this.topics.get(channelId) ?? [])]
      this.topics.delete(channelId)
      return { type: 'changed', channelId, topics: told }
    })
    if (!isPlanned) this.topics.delete(channelId)
  }

  /** Something was kept here that boards which others serve may show: said once for all that comes in a moment. */
  happened(channelId: string): void {
    const key = `happened ${channelId}`
    if (!this.deps.lanes.hasOthers || this.planned.has(key)) return
    const tell = () => {
      this.planned.delete(key)
      this.deps.bus.publish({ type: 'happened', channelId })
    }
    this.planned.set(key, setTimeout(tell, lineEveryMs))
  }

  /** Screens of these channels are open here. */
  watch(channelIds: readonly string[] = this.deps.watched()): void {
    if (channelIds.length > 0) this.deps.bus.publish({ type: 'watch', channelIds: [...channelIds] })
  }

  /** These processes are there: what others have said is forgotten. */
  keepNodes(nodeIds: ReadonlySet<string>): void {
    this.deps.queues.keepNodes(nodeIds)
    for (const nodes of this.sources.values())
      for (const nodeId of [...nodes.keys()]) if (!nodeIds.has(nodeId)) nodes.delete(nodeId)
    for (const nodes of this.watchers.values())
      for (const nodeId of [...nodes.keys()]) if (!nodeIds.has(nodeId)) nodes.delete(nodeId)
    this.deps.changed(null)
  }

  private watchersOf(channelId: string): string[] {
    const nowMs = this.deps.clock.steadyMs()
    return [...(this.watchers.get(channelId) ?? [])].flatMap(([nodeId, untilMs]) => (untilMs > nowMs ? [nodeId] : []))
  }

  /**
   * Tells those who have screens of a channel open, once for all that changes in a moment.
   * @returns whether anybody will be told
   */
  private tellSoon(key: string, afterMs: number, channelId: string, message: () => BusMessage | null): boolean {
    if (this.planned.has(key)) return true
    if (this.watchersOf(channelId).length === 0) return false
    this.planned.set(
      key,
      setTimeout(() => {
        this.planned.delete(key)
        const said = message()
        if (said) for (const nodeId of this.watchersOf(channelId)) this.deps.bus.send(nodeId, said)
      }, afterMs),
    )
    return true
  }

  private hear(message: BusMessage, from: string): void {
    const { lanes, asks, queues, rooms } = this.deps
    switch (message.type) {
      case 'wake':
        this.deps.wakeCalls(message.channels)
        return this.wake(message.plays)
      case 'taken':
        lanes.heardTaken(message.lanes, from)
        this.deps.retellStudio(message.lanes)
        return this.tellRoster(from)
      case 'left':
        return void lanes.lookNow().catch(this.deps.onError)
      case 'roster':
        for (const { boxId } of queues.opened())
          queues.reconcile(boxId, from, message.boxes.find((box) => box.boxId === boxId)?.sources ?? [])
        return
      case 'input':
        return queues.input(message.boxId, message.input, from)
      case 'toSources':
        return rooms.send(message.boxId, message.sourceIds, message.message)
      case 'closeBox':
        return rooms.closeBox(message.boxId, message.code, message.reason)
      case 'ask':
        return void this.answer(from, message)
      case 'answer':
        return asks.heardAnswer(message.number, message.value)
      case 'forget':
        return this.deps.forget(message.channelId, message.feedId)
      case 'library':
        return this.deps.libraryChanged(message.channelId)
      case 'changed':
        for (const topic of message.topics) this.deps.changed(message.channelId, topic)
        return
      case 'watch':
        return this.heardWatch(message.channelIds, from)
      case 'lane':
        this.lines.set(message.view.boxId, message.view)
        return this.deps.changed(message.channelId, `line ${message.view.boxId}`)
      case 'sources':
        this.heardSources(message.boxId, message.sources, from)
        return this.deps.changed(message.channelId, 'sources')
      case 'toStudio':
        return this.deps.toStudio(message.channelId, message.message)
      case 'happened':
        return this.deps.happened(message.channelId)
      case 'sessionEnded':
        return this.deps.sessionEnded(message.sessionId)
    }
    // What is left was said by another version of this program, which knows more words.
  }

  /** Takes up what others have written for lanes of this process: what came in one breath is read at once. */
  private wake(plays: { boxId: string; playId: string }[] | null): void {
    if (plays === null) this.isAllWoken = true
    else for (const { boxId, playId } of plays) if (this.deps.queues.find(boxId)) this.woken.add(playId)
    if (this.isWaking || (this.woken.size === 0 && !this.isAllWoken)) return
    this.isWaking = true
    setTimeout(() => void this.takeUp(), wakeAfterMs)
  }

  private async takeUp(): Promise<void> {
    const { queues, onError } = this.deps
    while (this.woken.size > 0 || this.isAllWoken) {
      const ids = [...this.woken]
      const isAll = this.isAllWoken
      this.woken.clear()
      this.isAllWoken = false
      // Where the database does not answer, everything that is open is looked through once it does.
      await (isAll ? queues.takeUp() : queues.takeUpPlays(ids)).catch(onError)
    }
    this.isWaking = false
  }

  private async answer(from: string, { number, lane, act }: Extract<BusMessage, { type: 'ask' }>): Promise<void> {
    const { bus, asks, onError } = this.deps
    const say = (value: unknown) => bus.send(from, { type: 'answer', number, value })
    try {
      say(await asks.answer(lane, act))
    } catch (error) {
      onError(error)
      say(null)
    }
  }

  /** Says which sources of boxes that a process carries out are connected here: those and no others. */
  private tellRoster(nodeId: string): void {
    const { bus, lanes, rooms } = this.deps
    const boxIds = rooms.boxIds().filter((boxId) => lanes.ownerOf(laneOfBox(boxId)) === nodeId)
    bus.send(nodeId, { type: 'roster', boxes: boxIds.map((boxId) => ({ boxId, sources: rooms.known(boxId) })) })
  }

  private tellRosters(): void {
    for (const nodeId of this.deps.lanes.others()) this.tellRoster(nodeId)
  }

  private heardWatch(channelIds: readonly string[], from: string): void {
    const { clock, queues, rooms } = this.deps
    for (const channelId of channelIds) {
      const nodes = this.watchers.get(channelId) ?? new Map<string, number>()
      this.watchers.set(channelId, nodes)
      nodes.set(from, clock.steadyMs() + watchedForMs)
      for (const box of queues.opened()) if (box.channelId === channelId) this.lineChanged(channelId, box.boxId)
      for (const boxId of rooms.boxIds())
        if (rooms.channelOf(boxId) === channelId) this.sourcesChanged(channelId, boxId)
    }
  }

  private heardSources(boxId: string, sources: ConnectedView[], from: string): void {
    const nodes = this.sources.get(boxId) ?? new Map<string, ConnectedView[]>()
    this.sources.set(boxId, nodes)
    if (sources.length > 0) nodes.set(from, sources)
    else nodes.delete(from)
  }

  /** Something may have been missed: everything that others keep here, and here of others, is said anew. */
  private async gap(): Promise<void> {
    const { bus, lanes, queues, forget, changed, onError } = this.deps
    forget(null, null)
    try {
      await lanes.askOwners()
      await queues.takeUp()
      this.deps.wakeCalls(lanes.own().flatMap((lane) => channelOfLane(lane) ?? []))
    } catch (error) {
      onError(error)
    }
    bus.publish({ type: 'taken', lanes: lanes.own() })
    this.tellRosters()
    this.watch()
    changed(null)
  }
}
