import { earnedByPresence } from '../../core/points/earnedBy.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { dueTimes } from '../../core/triggers/dueTimes.ts'
import { timeEvent } from '../../core/triggers/timeEvent.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'
import type { Calls } from './calls.ts'

interface CallsClockDependencies {
  calls: Calls
  now: () => number
  onAir: (channelId: string) => Promise<ChannelOnAir>
  accept: (channelId: string, incoming: IncomingEvent[]) => Promise<unknown>
  /** Who is in the chats of a channel, and since when. */
  present: (channelId: string) => Promise<{ viewerId: string; name: string; sinceMs: number }[]>
  /** Looks whether a stream goes on. */
  lookAtStream: (channelId: string) => Promise<unknown>
  onError: (error: unknown) => void
}

const everyMs = 5_000

/** What time itself sets off in the channels that this process carries out: triggers of a given time, and points for being there. */
export class CallsClock {
  private readonly timer: ReturnType<typeof setInterval>
  private lookedMs: number
  private isLooking = false

  constructor(private readonly deps: CallsClockDependencies) {
    this.lookedMs = deps.now()
    this.timer = setInterval(() => void this.look(), everyMs)
    this.timer.unref()
  }

  close(): void {
    clearInterval(this.timer)
  }

  /** Looks at what has come since the last look. */
  async look(): Promise<void> {
    if (this.isLooking) return
    this.isLooking = true
    const { calls, now, onError } = this.deps
    const fromMs = this.lookedMs
    const untilMs = now()
    // A clock that was set back has nothing come twice: what was looked at is looked at.
    this.lookedMs = Math.max(fromMs, untilMs)
    try {
      for (const channelId of calls.opened()) await this.lookAt(channelId, fromMs, untilMs)
    } catch (error) {
      onError(error)
    } finally {
      this.isLooking = false
    }
  }

  private async lookAt(channelId: string, fromMs: number, untilMs: number): Promise<void> {
    const { calls, onAir, accept, present, lookAtStream } = this.deps
    await lookAtStream(channelId)
    const channel = await onAir(channelId)
    const due = dueTimes(channel.triggers, fromMs, untilMs, channel.timeZone)
    if (due.length > 0)
      await accept(
        channelId,
        due.map(({ triggerId, atMs }) => ({
          ...timeEvent(triggerId, nameOf(channel, triggerId), atMs),
          isTest: false,
        })),
      )
    const { points } = channel.calls
    if (!points.presence) return
    const entries = (await present(channelId)).flatMap(({ viewerId, name, sinceMs }) => {
      const change = earnedByPresence(points, sinceMs, fromMs, untilMs)
      if (change === 0) return []
      const stretch = Math.floor((untilMs - sinceMs) / (points.presence?.everyMs ?? 1))
      return [{ viewerId, name, change, why: 'presence', reference: `presence:${viewerId}:${sinceMs}:${stretch}` }]
    })
    if (entries.length > 0) await calls.act(channelId, { do: 'enter', entries })
  }
}

const nameOf = ({ triggers }: ChannelOnAir, triggerId: string) =>
  triggers.find(({ id }) => id === triggerId)?.name ?? triggerId
