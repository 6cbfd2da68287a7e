import { chatRow } from '../../core/board/chatRow.ts'
import { eventRow } from '../../core/board/eventRow.ts'
import { goalSlice } from '../../core/board/goalSlice.ts'
import { sinceOf } from '../../core/board/sinceOf.ts'
import type { GoalSlice, Row, Slice } from '../../core/board/slice.ts'
import { sponsorRow } from '../../core/board/sponsorRow.ts'
import { topRows } from '../../core/board/topRows.ts'
import type { Want } from '../../core/board/want.ts'
import type { Period } from '../../core/board/liveFields.ts'
import { valuesOf } from '../../core/events/variables.ts'
import { contributionOf } from '../../core/goal/contribution.ts'
import type { Goal } from '../../core/goal/schema.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { comparableMinor } from '../../core/rules/values.ts'
import type { SpeechSettings } from '../../core/speech/settings.ts'
import type { Database } from '../db/handle.ts'
import { countEvents, listChatLines, listGiven, listNewest } from '../db/queries/boards.ts'
import type { EventRow } from '../db/queries/events.ts'
import { listCountedEvents } from '../db/queries/goals.ts'
import { findLastLine } from '../db/queries/sponsors.ts'
import { goalsView } from '../goals/goalViews.ts'
import { canonicalOf } from '../ingest/decideEvents.ts'

type WantOf<Of extends Want['of']> = Extract<Want, { of: Of }>
export type ChatWant = WantOf<'chat'>
/** What an event says, as far as rows are made of it. */
export type SaidEvent = Omit<EventRow, 'seq'>

export interface SliceReaderDependencies {
  db: Database
  now: () => number
  /** When the broadcast of a channel began; 0: there was none. */
  streamMs: (channelId: string) => Promise<number>
  /** Where this server has the picture of an emote. */
  ownEmote: (url: string) => string
  /** Which texts hold words that the channel blocks. */
  blocked: (texts: readonly string[], settings: SpeechSettings, locale: string) => Promise<boolean[]>
}

/** So many are looked at to find those above an amount. */
const lookedAt = 200
const lastLookedAt = 20
/** No line stands for longer. */
const lineLooksBackMs = 300_000

/** Reads what parts of boards are told, from what is kept. */
export class SliceReader {
  constructor(private readonly deps: SliceReaderDependencies) {}

  async read(channelId: string, channel: ChannelOnAir, want: Want): Promise<Slice> {
    const { db, streamMs } = this.deps
    switch (want.of) {
      case 'goal':
        return this.goal(channelId, channel, want)
      case 'events':
        return { of: 'rows', rows: await this.events(channelId, channel, want), removed: [] }
      case 'chat': {
        const lines = await this.chatLines(channelId, want)
        return { of: 'rows', rows: await this.chatRows(channel, want, lines), removed: [] }
      }
      case 'top': {
        const given = await listGiven(db, channelId, want.kinds, await this.since(channelId, channel, want.since))
        return { of: 'rows', rows: topRows(given, want.most, channel), removed: [] }
      }
      case 'count': {
        const since = await this.since(channelId, channel, want.since)
        return { of: 'count', count: await countEvents(db, channelId, want.kinds, want.command, since) }
      }
      case 'sponsor':
        return { of: 'rows', rows: await this.line(channelId, channel), removed: [] }
      case 'stream': {
        const atMs = await streamMs(channelId)
        return { of: 'moment', atMs: atMs === 0 ? null : atMs }
      }
    }
  }

  /** What was said last, newest first, without what was taken away. */
  chatLines = (channelId: string, { sources, most }: ChatWant): Promise<SaidEvent[]> =>
    listChatLines(this.deps.db, channelId, sources, most)

  /** Lines of chat as rows, newest first as they are given; those with words that the channel blocks are left out if wanted. */
  async chatRows(channel: ChannelOnAir, want: ChatWant, lines: readonly SaidEvent[]): Promise<Row[]> {
    const { blocked, ownEmote } = this.deps
    const texts = lines.map(({ data }) => data.message?.text ?? '')
    const isBlocked =
      want.hidesBlocked && lines.length > 0
        ? await blocked(texts, channel.speech, channel.locale)
        : texts.map(() => false)
    return lines
      .filter((_, index) => !isBlocked[index])
      .map((line) => {
        const row = chatRow(canonicalOf(line), line.id)
        const pieces = row.pieces.map((piece) =>
          piece.emoteUrl ? { ...piece, emoteUrl: ownEmote(piece.emoteUrl) } : piece,
        )
        return { ...row, pieces }
      })
  }

  /** The line whose turn it was last, as long as it may still stand somewhere. */
  private async line(channelId: string, { media }: ChannelOnAir): Promise<Row[]> {
    const { db, now } = this.deps
    const found = await findLastLine(db, channelId, new Date(now() - lineLooksBackMs))
    if (!found) return []
    const { words, mediaId } = found.campaign.document
    const pictureUrl = (mediaId === null ? undefined : media[mediaId]?.url) ?? null
    return [sponsorRow({ id: found.turn.id, words, pictureUrl }, found.turn.at.getTime())]
  }

  private async since(channelId: string, { timeZone, weekStart }: ChannelOnAir, period: Period): Promise<Date | null> {
    const { now, streamMs } = this.deps
    const sinceMs = sinceOf(period, now(), timeZone, period === 'stream' ? await streamMs(channelId) : 0, weekStart)
    return sinceMs === null ? null : new Date(sinceMs)
  }

  private async events(channelId: string, channel: ChannelOnAir, want: WantOf<'events'>): Promise<Row[]> {
    const { kinds, leastMinor, most, words } = want
    const rows = await listNewest(this.deps.db, channelId, kinds, leastMinor > 0 ? lookedAt : most)
    return rows
      .filter(({ data }) => {
        if (!('amountMinor' in data)) return true
        return (comparableMinor(data.amountMinor, data.currency, channel) ?? 0) >= leastMinor
      })
      .slice(0, most)
      .map((row) => eventRow(canonicalOf(row), row.id, words, channel.locale))
  }

  private async goal(channelId: string, channel: ChannelOnAir, { goalId }: WantOf<'goal'>): Promise<GoalSlice> {
    const { db, now } = this.deps
    const { timeZone, currency } = channel
    const view = await goalsView(db, channelId, now(), timeZone)
    const chosen =
      goalId === null
        ? (view.goals.find(({ standing }) => standing.phase === 'running') ?? view.goals[0])
        : [...view.goals, ...view.past].find(({ goal }) => goal.id === goalId)
    if (!chosen) return { of: 'goal', goal: null }
    const last = await this.last(channelId, channel, chosen.goal)
    return goalSlice(chosen.goal, chosen.amount, { nowMs: now(), timeZone, currency, last })
  }

  /** Who brought a goal something last, and how much of their own it was. */
  private async last(channelId: string, channel: ChannelOnAir, goal: Goal) {
    for (const row of await listCountedEvents(this.deps.db, channelId, goal, null, lastLookedAt)) {
      const event = canonicalOf(row.event)
      const kept = { event, isTest: row.event.isTest, isRefunded: row.refundedAt !== null }
      const brought = contributionOf(goal, kept, channel)?.amount ?? 0
      if (brought === 0) continue
      const { name, amount } = valuesOf(event)
      return { name: String(name ?? ''), amount: typeof amount === 'object' ? amount : brought }
    }
    return null
  }
}
