import { applyRows } from '../../core/board/applyRows.ts'
import { resolveBoard, sceneOf } from '../../core/board/resolveBoard.ts'
import type { Slice } from '../../core/board/slice.ts'
import type { Want } from '../../core/board/want.ts'
import { wantsOf } from '../../core/board/wantsOf.ts'
import { dressAt } from '../../core/look/seasons.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { Turns } from '../../core/turns.ts'
import type { ToBoard } from '../../contract/boardMessages.ts'
import type { Removal } from '../feeds/adapter.ts'
import type { SourceRooms } from '../realtime/sourceRooms.ts'
import { keepOrigins, meantBy, newTopic, noteOrigins, numbered, takenAway, type Topic } from './topic.ts'
import type { SaidEvent, SliceReader } from './sliceReader.ts'

export interface BoardKeeperDependencies {
  reader: Pick<SliceReader, 'read' | 'chatLines' | 'chatRows'>
  rooms: Pick<SourceRooms, 'send' | 'views'>
  onAir: (channelId: string) => Promise<ChannelOnAir>
  now: () => number
  onError: (error: unknown) => void
}

/** A board that somebody shows. */
interface Shown {
  channelId: string
  /** What is on air of it, and the day's look; when that is another, all of it is sent anew. */
  score: ResolvedScore
  wants: ReadonlyMap<string, Want>
}

interface Channel {
  turns: Turns
  topics: Map<string, Topic>
  /** Lines of chat that were said since boards were told last, the newest last. */
  said: SaidEvent[]
  removals: Removal[]
  timer: ReturnType<typeof setTimeout> | null
  /** When boards were told something last; monotonic. */
  toldMs: number
}

/** What comes within so many milliseconds is told together. */
const gatheredMs = 30
/** What has to be asked of the database is asked no more often than that. */
const askedEveryMs = 250
/** What changes with the clock alone (days that are left, the day that is counted) is looked at again. */
const clockEveryMs = 30_000
/** Of what is said faster than it can be shown, the newest is shown. */
const saidMost = 200

/**
 * Tells the boards that are shown what their parts want to know, each thing once for all boards of a channel that want the same.
 * Chat is told as it comes; everything else is read anew when something has happened.
 */
export class BoardKeeper {
  private readonly shown = new Map<string, Shown>()
  private readonly channels = new Map<string, Channel>()
  private readonly clock: ReturnType<typeof setInterval>
  /** Pages that are still to be told everything: single changes are nothing to them. */
  private readonly coming = new Set<string>()
  /** Boards that show something made up, and what ends that. */
  private readonly tests = new Map<string, ReturnType<typeof setTimeout>[]>()

  constructor(private readonly deps: BoardKeeperDependencies) {
    this.clock = setInterval(() => this.lookAtClock(), clockEveryMs)
    this.clock.unref()
  }

  close(): void {
    clearInterval(this.clock)
    for (const { timer } of this.channels.values()) if (timer) clearTimeout(timer)
    for (const timers of this.tests.values()) for (const timer of timers) clearTimeout(timer)
  }

  /** A page has come: it is told everything. */
  joined(boardId: string, channelId: string, sourceId: string): Promise<void> {
    this.coming.add(sourceId)
    return this.inTurn(channelId, async (channel) => {
      const shown = this.shown.get(boardId) ?? (await this.open(boardId, channelId))
      if (!shown) return
      await this.readStale(channelId, channel)
      this.deps.rooms.send(boardId, [sourceId], await this.wholeOf(shown))
    }).finally(() => this.coming.delete(sourceId))
  }

  /** A page has missed something. */
  again(boardId: string, sourceId: string, key: string): void {
    const shown = this.shown.get(boardId)
    const topic = shown && this.channels.get(shown.channelId)?.topics.get(key)
    for (const each of numbered(topic)) this.deps.rooms.send(boardId, [sourceId], { type: 'slice', ...each })
  }

  /** What is on air, a file or a setting of a channel is another now. */
  async changed(channelId: string): Promise<void> {
    const boardIds = this.boardsOf(channelId)
    if (boardIds.length === 0) return
    await this.inTurn(channelId, async (channel) => {
      for (const boardId of boardIds) {
        const before = this.shown.get(boardId)
        const after = await this.open(boardId, channelId)
        if (!after || JSON.stringify(after.score) === JSON.stringify(before?.score)) continue
        await this.readStale(channelId, channel)
        this.tell(boardId, await this.wholeOf(after))
      }
      for (const topic of channel.topics.values()) topic.isStale = true
    })
    this.plan(channelId, askedEveryMs)
  }

  /** Something happened. @param events null: elsewhere, and nobody says what */
  happened(channelId: string, events: readonly SaidEvent[] | null): void {
    const channel = this.channels.get(channelId)
    if (!channel || this.boardsOf(channelId).length === 0) return
    const said = events?.filter(({ kind }) => kind === 'chatMessage') ?? []
    channel.said.push(...said)
    if (channel.said.length > saidMost) channel.said.splice(0, channel.said.length - saidMost)
    const kinds = events && new Set(events.map(({ kind }) => kind))
    for (const topic of channel.topics.values())
      if (!kinds || (topic.want.of !== 'chat' && concerns(topic.want, kinds))) topic.isStale = true
    // The first line after a pause is told at once; those that come right behind it together.
    const sinceMs = performance.now() - channel.toldMs
    this.plan(channelId, said.length > 0 ? Math.max(0, gatheredMs - sinceMs) : askedEveryMs)
  }

  /** Something was taken away from chats. */
  removed(channelId: string, removals: readonly Removal[]): void {
    const channel = this.channels.get(channelId)
    if (!channel || removals.length === 0) return
    channel.removals.push(...removals)
    this.plan(channelId, 0)
  }

  /** Goals have another amount, or are others; or it is a sponsor's turn. */
  changedOf(channelId: string, of: 'goal' | 'sponsor'): void {
    for (const topic of this.channels.get(channelId)?.topics.values() ?? [])
      if (topic.want.of === of) topic.isStale = true
    this.plan(channelId, gatheredMs)
  }

  /**
   * Shows something made up for a while, and then again what is true. Nothing of it is kept or counted.
   * @param madeUp what each want is told, one after the other
   */
  test(boardId: string, madeUp: (want: Want) => readonly Slice[], stepMs: number, lastsMs: number): void {
    const shown = this.shown.get(boardId)
    if (!shown) return
    for (const timer of this.tests.get(boardId) ?? []) clearTimeout(timer)
    const told = [...shown.wants].map(([key, want]) => ({ key, slices: madeUp(want) }))
    const most = Math.max(1, ...told.map(({ slices }) => slices.length))
    const tellAll = (at: number) => {
      for (const { key, slices } of told) {
        const slice = slices[at]
        if (slice) this.tell(boardId, { type: 'slice', key, seq: this.seqOf(shown.channelId, key), slice })
      }
    }
    const timers = Array.from({ length: most }, (_, at) => setTimeout(() => tellAll(at), at * stepMs))
    timers.push(
      setTimeout(() => {
        this.tests.delete(boardId)
        const topics = this.channels.get(shown.channelId)?.topics
        for (const key of shown.wants.keys())
          for (const each of numbered(topics?.get(key))) this.tell(boardId, { type: 'slice', ...each })
      }, lastsMs),
    )
    this.tests.set(boardId, timers)
  }

  private seqOf = (channelId: string, key: string) => this.channels.get(channelId)?.topics.get(key)?.seq ?? 0

  private boardsOf = (channelId: string) =>
    [...this.shown].flatMap(([boardId, shown]) => {
      if (shown.channelId !== channelId) return []
      if (this.deps.rooms.views(boardId).length > 0) return [boardId]
      this.shown.delete(boardId)
      return []
    })

  private channel(channelId: string): Channel {
    const channel = this.channels.get(channelId) ?? {
      ...{ turns: new Turns(), topics: new Map<string, Topic>(), said: [], removals: [], timer: null },
      toldMs: -Infinity,
    }
    this.channels.set(channelId, channel)
    return channel
  }

  private inTurn(channelId: string, work: (channel: Channel) => Promise<void>): Promise<void> {
    const channel = this.channel(channelId)
    return channel.turns.take(() => work(channel).catch(this.deps.onError))
  }

  /** Settles what is on air of a board, and names what its parts want. @returns null where nothing is on air */
  private async open(boardId: string, channelId: string): Promise<Shown | null> {
    const channel = await this.deps.onAir(channelId)
    const document = channel.boards.find((each) => each.boxId === boardId)?.version?.document
    const scene = document && sceneOf(document)
    if (!document || !scene) {
      this.shown.delete(boardId)
      return null
    }
    const { look, swaps } = dressAt(document, this.deps.now(), channel.timeZone)
    const resolved = resolveBoard(scene, {
      ...{ canvas: document.canvas, zones: document.zones, look, swaps },
      ...{ locale: channel.locale, media: channel.media },
    })
    if (!resolved.ok) throw new Error(`The board ${boardId} does not resolve: ${resolved.error.type}`)
    const wants = wantsOf(resolved.value)
    const { topics } = this.channel(channelId)
    for (const [key, want] of wants) if (!topics.has(key)) topics.set(key, newTopic(key, want))
    const shown = { channelId, score: resolved.value, wants }
    this.shown.set(boardId, shown)
    return shown
  }

  private async wholeOf({ channelId, score, wants }: Shown): Promise<ToBoard> {
    const { locale, timeZone } = await this.deps.onAir(channelId)
    const { topics } = this.channel(channelId)
    return {
      ...{ type: 'board', score, locale, timeZone, nowMs: this.deps.now() },
      slices: [...wants.keys()].flatMap((key) => numbered(topics.get(key))),
    }
  }

  private plan(channelId: string, afterMs: number): void {
    const channel = this.channels.get(channelId)
    if (!channel || (channel.timer && afterMs > 0)) return
    if (channel.timer) clearTimeout(channel.timer)
    channel.timer = setTimeout(() => {
      channel.timer = null
      void this.inTurn(channelId, () => this.tellNews(channelId, channel))
    }, afterMs)
  }

  private async tellNews(channelId: string, channel: Channel): Promise<void> {
    channel.toldMs = performance.now()
    this.dropUnwanted(channelId, channel)
    const said = channel.said.splice(0)
    const removals = channel.removals.splice(0)
    if (said.length > 0 || removals.length > 0) await this.tellChats(channelId, channel, said, removals)
    await this.readStale(channelId, channel)
  }

  /** What no board wants any more is not read any more. */
  private dropUnwanted(channelId: string, { topics }: Channel): void {
    const boards = new Set(this.boardsOf(channelId))
    const wanted = new Set([...this.shown].flatMap(([id, { wants }]) => (boards.has(id) ? [...wants.keys()] : [])))
    for (const key of [...topics.keys()]) if (!wanted.has(key)) topics.delete(key)
  }

  private async tellChats(
    channelId: string,
    { topics }: Channel,
    said: readonly SaidEvent[],
    removals: readonly Removal[],
  ): Promise<void> {
    const onAir = await this.deps.onAir(channelId)
    for (const topic of topics.values()) {
      const { want, slice } = topic
      if (want.of !== 'chat' || slice?.of !== 'rows' || topic.isStale) continue
      const lines = said.filter(({ source }) => !want.sources || want.sources.includes(source)).slice(-want.most)
      const added = await this.deps.reader.chatRows(onAir, want, [...lines].reverse())
      noteOrigins(topic, lines)
      const removed = meantBy(removals, topic)
      if (added.length === 0 && removed.length === 0) continue
      topic.slice = applyRows(slice, { added, removed, most: want.most })
      topic.seq += 1
      const { key, seq } = topic
      this.tellAll(channelId, key, { type: 'rows', key, seq, added, removed, most: want.most })
      keepOrigins(topic)
    }
  }

  private async readStale(channelId: string, { topics }: Channel): Promise<void> {
    const onAir = await this.deps.onAir(channelId)
    for (const topic of topics.values()) {
      if (!topic.isStale) continue
      topic.isStale = false
      try {
        this.set(channelId, topic, await this.read(channelId, onAir, topic))
      } catch (error) {
        // Read again with the next thing that happens, or by the clock.
        topic.isStale = true
        this.deps.onError(error)
      }
    }
  }

  private async read(channelId: string, onAir: ChannelOnAir, topic: Topic): Promise<Slice> {
    const { reader } = this.deps
    const { want } = topic
    if (want.of !== 'chat') return reader.read(channelId, onAir, want)
    const lines = await reader.chatLines(channelId, want)
    const rows = { of: 'rows' as const, rows: await reader.chatRows(onAir, want, lines), removed: [] }
    noteOrigins(topic, lines)
    return { ...rows, removed: takenAway(topic.slice, rows, want.most) }
  }

  private set(channelId: string, topic: Topic, slice: Slice): void {
    const isSame = topic.slice !== null && JSON.stringify(topic.slice) === JSON.stringify(slice)
    topic.slice = slice
    if (isSame) return
    topic.seq += 1
    for (const each of numbered(topic)) this.tellAll(channelId, topic.key, { type: 'slice', ...each })
  }

  private tellAll(channelId: string, key: string, message: ToBoard): void {
    for (const [boardId, { channelId: of, wants }] of this.shown)
      if (of === channelId && wants.has(key) && !this.tests.has(boardId)) this.tell(boardId, message)
  }

  private tell(boardId: string, message: ToBoard): void {
    const { rooms } = this.deps
    const ids = rooms.views(boardId).flatMap(({ id }) => (this.coming.has(id) ? [] : [id]))
    if (ids.length > 0) rooms.send(boardId, ids, message)
  }

  private lookAtClock(): void {
    for (const [channelId, { topics }] of this.channels) {
      for (const topic of topics.values()) if (topic.want.of !== 'chat') topic.isStale = true
      if (this.boardsOf(channelId).length > 0) this.plan(channelId, gatheredMs)
      else this.channels.delete(channelId)
    }
  }
}

/** Whether events of these kinds can change what a want is told. Goals say themselves when they change. */
function concerns(want: Want, kinds: ReadonlySet<string>): boolean {
  return 'kinds' in want && want.kinds.some((kind) => kinds.has(kind))
}
