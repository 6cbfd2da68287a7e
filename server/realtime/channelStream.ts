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

interface ChannelStreamOptions {
  read: (channelId: string) => Promise<ChannelLive>
  onError: (error: unknown) => void
  /** A channel's first screen is open. */
  onWatched?: (channelId: string) => void
  /** Something has changed that screens of other processes show, too. */
  onChanged?: (channelId: string) => void
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

  constructor(private readonly options: ChannelStreamOptions) {}

  /** The channels of which screens are open. */
  watched(): string[] {
    return [...this.screens.keys()]
  }

  /** @returns what ends the subscription. */
  listen(channelId: string, screen: Screen): () => void {
    const set = this.screens.get(channelId) ?? new Set<Screen>()
    this.screens.set(channelId, set)
    set.add(screen)
    if (set.size === 1) this.options.onWatched?.(channelId)
    this.changedHere(channelId)
    return () => {
      set.delete(screen)
      if (set.size === 0 && this.screens.get(channelId) === set) this.screens.delete(channelId)
    }
  }

  /** Something of a channel has changed: screens here and elsewhere read it anew. */
  changed(channelId: string): void {
    this.changedHere(channelId)
    this.options.onChanged?.(channelId)
  }

  /** The same, for screens of this process alone. */
  changedHere(channelId: string): void {
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
    for (const channelId of this.screens.keys()) this.changedHere(channelId)
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
      const live = JSON.stringify(await this.options.read(channelId))
      this.tookMs.set(channelId, performance.now() - startedMs)
      for (const screen of [...(this.screens.get(channelId) ?? [])]) screen.tell(live)
    } catch (error) {
      this.options.onError(error)
    }
  }
}
