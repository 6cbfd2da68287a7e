import { channelOfLane, laneOfChannel } from '../../core/response/lane.ts'
import type { StudioSaid } from '../../contract/studioLink.ts'
import type { StudioView } from '../../contract/triggers.ts'
import type { LaneHold } from '../db/queries/playRecords.ts'
import type { Asks } from '../lanes/asks.ts'
import type { CallAct } from './callAct.ts'
import { ChannelCalls, type ChannelCallsDependencies } from './channelCalls.ts'

interface CallsDependencies {
  asks: () => Asks
  /** What a channel's calls are carried out with. */
  of: (channelId: string) => ChannelCallsDependencies
}

/** What viewers set off in the channels that this process carries out; of others it knows whom to ask. */
export class Calls {
  private readonly channels = new Map<string, ChannelCalls>()

  constructor(private readonly deps: CallsDependencies) {}

  async open(channelId: string, hold: LaneHold): Promise<void> {
    this.drop(channelId)
    this.channels.set(channelId, await ChannelCalls.open(channelId, hold, this.deps.of(channelId)))
  }

  /** The lane of a channel is another's: nothing more is done or written here. */
  drop(channelId: string): void {
    this.channels.get(channelId)?.abandon()
    this.channels.delete(channelId)
  }

  /** Viewers of these channels have set something off. */
  wake(channelIds: Iterable<string>): void {
    for (const channelId of channelIds) this.channels.get(channelId)?.wake()
  }

  /** An alert of a channel has begun to be shown, or is over. */
  played(channelId: string, playId: string, is: 'started' | 'over', reason: string): void {
    this.channels.get(channelId)?.played(playId, is, reason)
  }

  /** The channels that are carried out here. */
  opened(): string[] {
    return [...this.channels.keys()]
  }

  /** Does something where this process carries the channel out; null where it does not. */
  here(lane: string, act: CallAct): Promise<unknown> | null {
    const channelId = channelOfLane(lane)
    return (channelId === null ? null : this.channels.get(channelId)?.act(act)) ?? null
  }

  /**
   * Has something done by whoever carries the channel out.
   * @throws 503 where nobody does so for several seconds
   */
  act(channelId: string, act: CallAct): Promise<unknown> {
    return this.deps.asks().act(laneOfChannel(channelId), act)
  }

  /** How the studio of a channel stands; null where nobody knows just now. */
  async studioOf(channelId: string): Promise<StudioView | null> {
    const answer = await this.deps.asks().now(laneOfChannel(channelId), { do: 'studio' })
    return answer ? (answer.value as StudioView) : null
  }

  /** Hands on what a studio said over a link of this process. */
  async studioSaid(channelId: string, linkId: string, said: StudioSaid): Promise<void> {
    await this.act(channelId, { do: 'studioSaid', linkId, said })
  }

  async close(): Promise<void> {
    await Promise.all([...this.channels.values()].map((each) => each.close()))
  }
}
