import type { ChannelLive } from '../../contract/channelLive.ts'

type Listener = (live: ChannelLive) => void

const atMostEveryMs = 120

/**
 * Tells open screens of a channel what changed. Changes are gathered for a moment and read once, however many screens
 * listen; with none listening nothing is read at all.
 */
export class ChannelStream {
  private readonly listeners = new Map<string, Set<Listener>>()
  private readonly planned = new Map<string, ReturnType<typeof setTimeout>>()

  constructor(
    private readonly read: (channelId: string) => Promise<ChannelLive>,
    private readonly onError: (error: unknown) => void,
  ) {}

  /** @returns what ends the subscription. */
  listen(channelId: string, listener: Listener): () => void {
    const set = this.listeners.get(channelId) ?? new Set<Listener>()
    this.listeners.set(channelId, set)
    set.add(listener)
    this.changed(channelId)
    return () => {
      set.delete(listener)
      if (set.size === 0) this.listeners.delete(channelId)
    }
  }

  changed(channelId: string): void {
    if (!this.listeners.has(channelId) || this.planned.has(channelId)) return
    this.planned.set(
      channelId,
      setTimeout(() => {
        this.planned.delete(channelId)
        void this.tell(channelId)
      }, atMostEveryMs),
    )
  }

  close(): void {
    for (const timer of this.planned.values()) clearTimeout(timer)
    this.planned.clear()
    this.listeners.clear()
  }

  private async tell(channelId: string): Promise<void> {
    try {
      const live = await this.read(channelId)
      for (const listener of this.listeners.get(channelId) ?? []) listener(live)
    } catch (error) {
      this.onError(error)
    }
  }
}
