import { sceneOf } from '../../core/board/resolveBoard.ts'
import { nextCampaign } from '../../core/campaign/rotation.ts'
import type { Campaign } from '../../core/campaign/schema.ts'
import { seedOf } from '../../core/random.ts'
import type { BoxOnAir, ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { Database } from '../db/handle.ts'
import { countWatching } from '../db/queries/feeds.ts'
import { listCampaigns, setAlertsSeen, setLineSeen, takeTurn, type CampaignRow } from '../db/queries/sponsors.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'
import { newId } from '../system/ids.ts'

/** What events that are a sponsor's turn name as their source. */
export const sponsorSource = 'sponsors'
/** At least so much lies between two turns; more, where lines stand for longer. */
const gapLeastMs = 60_000
/** What feeds said of how many watch is believed for so long. */
export const watchingBelievedMs = 10 * 60_000
/** What is said to have been seen after so long is not believed, and an alert may wait so long. */
const lineSeenWithinMs = 15 * 60_000
const alertSeenWithinMs = 6 * 60 * 60_000

export interface SponsorKeeperDependencies {
  db: Database
  now: () => number
  onAir: (channelId: string) => Promise<ChannelOnAir>
  /** How many sources show a box or a board, wherever they are connected. */
  countSources: (boxId: string) => number
  accept: (channelId: string, incoming: IncomingEvent[]) => Promise<unknown>
  /** The address that leads where a campaign wants. */
  goUrl: (code: string) => string
  /** A line's turn has come. */
  onLine: (channelId: string) => void
  /** What came of campaigns is another. */
  onFigures: (channelId: string) => void
  onError: (error: unknown) => void
}

/** The parts of boards on air that show lines. */
export const lineParts = ({ version }: BoxOnAir) =>
  version === null
    ? []
    : (sceneOf(version.document)?.parts.flatMap((part) => (part.kind === 'sponsor' ? [part] : [])) ?? [])

/** Gives sponsors their turns, in the channels that this process carries out, and keeps what was seen of them. */
export class SponsorKeeper {
  private isLooking = false

  constructor(private readonly deps: SponsorKeeperDependencies) {}

  /** Looks whose turn it is. One look at a time; what fails is tried again at the next. */
  async look(channelIds: readonly string[]): Promise<void> {
    if (this.isLooking) return
    this.isLooking = true
    try {
      for (const channelId of channelIds) await this.lookAt(channelId).catch(this.deps.onError)
    } finally {
      this.isLooking = false
    }
  }

  private async lookAt(channelId: string): Promise<void> {
    const { db, now, onFigures } = this.deps
    const campaigns = await listCampaigns(db, channelId)
    if (campaigns.length === 0) return
    const channel = await this.deps.onAir(channelId)
    await this.giveLine(channelId, channel, campaigns)
    await this.giveAlert(channelId, channel, campaigns)
    if (campaigns.every(({ document }) => document.shownBy !== 'alert')) return
    const since = new Date(now() - alertSeenWithinMs)
    if ((await setAlertsSeen(db, channelId, sponsorSource, await this.watching(channelId), since)) > 0)
      onFigures(channelId)
  }

  /** A line, where a board shows lines to somebody: a turn that nobody could see is none. */
  private async giveLine(channelId: string, channel: ChannelOnAir, campaigns: readonly CampaignRow[]): Promise<void> {
    const { countSources, onLine } = this.deps
    const parts = channel.boards.flatMap((board) => (countSources(board.boxId) > 0 ? lineParts(board) : []))
    if (parts.length === 0) return
    const gapMs = Math.max(gapLeastMs, ...parts.map(({ standsS }) => standsS * 1000 + 5_000))
    if (await this.turn(channelId, channel, campaigns, 'line', gapMs)) onLine(channelId)
  }

  private async giveAlert(channelId: string, channel: ChannelOnAir, campaigns: readonly CampaignRow[]): Promise<void> {
    const { countSources, accept, goUrl, now } = this.deps
    const shows = ({ boxId, version }: BoxOnAir) =>
      countSources(boxId) > 0 &&
      (version?.document.alerts.some(({ kinds, isOn }) => isOn && kinds.includes('sponsorLine')) ?? false)
    if (!channel.boxes.some(shows)) return
    const turn = await this.turn(channelId, channel, campaigns, 'alert', gapLeastMs)
    const row = turn && campaigns.find(({ id }) => id === turn.campaignId)
    if (!row) return
    const { name, words, link } = row.document
    const address = link === null ? '' : goUrl(row.code).replace(/^https?:\/\//, '')
    await accept(channelId, [
      {
        ...{ source: sponsorSource, externalId: turn.id, kind: 'sponsorLine', occurredAtMs: now(), isTest: false },
        data: { viewer: null, sponsor: name, line: words, address },
      },
    ])
  }

  private async turn(
    channelId: string,
    { timeZone }: ChannelOnAir,
    campaigns: readonly CampaignRow[],
    shownBy: Campaign['shownBy'],
    gapMs: number,
  ) {
    const of = campaigns.map(({ document }) => document).filter((each) => each.shownBy === shownBy)
    if (of.length === 0) return null
    const { db, now } = this.deps
    const nowMs = now()
    const turn = { id: newId('turn', nowMs), channelId, shownBy, at: new Date(nowMs), gapMs }
    return takeTurn(db, turn, (state) => nextCampaign(of, state, { nowMs, timeZone, seed: seedOf(channelId) }))
  }

  /** A source has shown the whole of a line. Said by many, late, or of what was none, it counts once or not at all. */
  async seen(channelId: string, turnId: string): Promise<void> {
    const { db, now, onFigures } = this.deps
    const since = new Date(now() - lineSeenWithinMs)
    if (await setLineSeen(db, channelId, turnId, await this.watching(channelId), since)) onFigures(channelId)
  }

  private watching = (channelId: string): Promise<number> =>
    countWatching(this.deps.db, channelId, new Date(this.deps.now() - watchingBelievedMs))
}
