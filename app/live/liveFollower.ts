import type { ChannelLive, LiveMessage } from '../../contract/channelLive.ts'
import { changedLive } from '../../contract/liveChange.ts'

/** Follows a run of messages: a whole one begins it, each change counts on from the one before. */
export class LiveFollower {
  private last: { stream: string; seq: number; live: ChannelLive } | null = null
  /** Server time minus this machine's, in milliseconds. */
  aheadMs = 0

  /** @returns what is to be seen now; null where a message before this one was missed: the whole is needed */
  take(text: string): ChannelLive | null {
    const message = JSON.parse(text) as LiveMessage
    const { stream, seq } = message
    this.aheadMs = message.serverNowMs - Date.now()
    if ('whole' in message) this.last = { stream, seq, live: message.whole }
    else if (this.last?.stream !== stream || this.last.seq < seq - 1) return null
    // What was heard twice says nothing new.
    else if (this.last.seq === seq - 1) this.last = { stream, seq, live: changedLive(this.last.live, message.change) }
    return this.last.live
  }

  /** All that is to be seen, as a message for somebody who comes late; null: nothing is known. */
  whole(): string | null {
    if (!this.last) return null
    const { live, ...rest } = this.last
    return JSON.stringify({ ...rest, serverNowMs: Date.now() + this.aheadMs, whole: live } satisfies LiveMessage)
  }
}
