import type { ChannelLive } from '../../contract/channelLive.ts'

/** A screen that is open somewhere. */
export interface Screen {
  /** What it is told; put into words once for all of them. */
  tell(live: string): void
  /** It is told nothing more. */
  end(): void
  /** The session that it was opened in. */
  sessionId: string
}

const atMostEveryMs = 120
/** Reading takes no more than this part of the time: where it takes long, screens are told less often. */
const readingMostRatio = 0.15

/**
 * Tells open screens of a channel what changed. Changes are gathered for a moment and read once, however many screens
 * listen; with none listening nothing is read at all.
 */
export class ChannelStream {
  private readonly screens = new Map<string, Set<Screen>>()
  private readonly planned = new Map<string, ReturnType<typeof setTimeout>>()
  /** How long reading took last. */
  private readonly tookMs = new Map<string, number>()

  constructor(
    private readonly read: (channelId: string) => Promise<ChannelLive>,
    private readonly onError: (error: unknown) => void,
    /** A channel's first screen is open. */
    private readonly onWatched: (channelId: string) => void = () => undefined,
  ) {}

  /** The channels of which screens are open. */
  watched(): string[] {
    return [...this.screens.keys()]
  }

  /** @returns what ends the subscription. */
  listen(channelId: string, screen: Screen): () => void {
    const set = this.screens.get(channelId) ?? new Set<Screen>()
    this.screens.set(channelId, set)
    set.add(screen)
    if (set.size === 1) this.onWatched(channelId)
    this.changed(channelId)
    return () => {
      set.delete(screen)
      if (set.size === 0 && this.screens.get(channelId) === set) this.screens.delete(channelId)
    }
  }

  changed(channelId: string): void {
    if (!this.screens.has(channelId) || this.planned.has(channelId)) return
    this.planned.set(
      channelId,
      setTimeout(
        () => {
          this.planned.delete(channelId)
          void this.tell(channelId)
        },
        Math.max(atMostEveryMs, Math.min(2_000, (this.tookMs.get(channelId) ?? 0) / readingMostRatio)),
      ),
    )
  }

  /** Something changed that concerns everybody. */
  changedEverywhere(): void {
    for (const channelId of this.screens.keys()) this.changed(channelId)
  }

  /** Whoever signed out there is told nothing more, in this moment. */
  endSession(sessionId: string): void {
    for (const set of this.screens.values())
      for (const screen of [...set]) if (screen.sessionId === sessionId) screen.end()
  }

  close(): void {
    for (const timer of this.planned.values()) clearTimeout(timer)
    this.planned.clear()
    for (const set of [...this.screens.values()]) for (const screen of [...set]) screen.end()
    this.screens.clear()
  }

  private async tell(channelId: string): Promise<void> {
    const startedMs = performance.now()
    try {
      const live = JSON.stringify(await this.read(channelId))
      this.tookMs.set(channelId, performance.now() - startedMs)
      for (const screen of [...(this.screens.get(channelId) ?? [])]) screen.tell(live)
    } catch (error) {
      this.onError(error)
    }
  }
}
