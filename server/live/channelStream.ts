import type { ChannelLive } from '../../contract/channelLive.ts'
import { liveChange } from '../../contract/liveChange.ts'
import { newId } from '../system/ids.ts'
import type { ChannelModel } from './channelModel.ts'
import type { LiveTopic } from './topic.ts'

/** A screen that is open somewhere. */
export interface Screen {
  /** What it is told; put into words once for all of them. */
  tell(message: string): void
  /** It is told nothing more. */
  end(): void
  /** The session that it was opened in. */
  sessionId: string
}

/** A screen's place among those that listen. */
export interface Listening {
  /** All that is to be seen just now, for a screen that missed something; null: nothing was read yet. */
  whole(): string | null
  stop(): void
}

interface ChannelStreamOptions {
  model: (channelId: string) => Pick<ChannelModel, 'note' | 'read' | 'againAfterMs'>
  wallMs: () => number
  onError: (error: unknown) => void
  /** A channel's first screen is open. */
  onWatched?: (channelId: string) => void
  /** Something has changed that screens of other processes show, too. */
  onChanged?: (channelId: string, topic: LiveTopic) => void
}

/** A channel that somebody looks at. */
interface Watched {
  model: ReturnType<ChannelStreamOptions['model']>
  screens: Set<Screen>
  /** Names this run of messages. */
  stream: string
  seq: number
  /** What was told last. */
  live: ChannelLive | null
  /** The same in words, once somebody needed it. */
  liveText: string | null
  timer: ReturnType<typeof setTimeout> | null
  isReading: boolean
  /** Something has changed while it was read. */
  isChanged: boolean
  /** How long reading took last. */
  tookMs: number
}

const atMostEveryMs = 120
/** Reading takes no more than this part of the time: where it takes long, screens are told less often. */
const readingMostRatio = 0.15
const longestPauseMs = 2_000

/**
 * Tells open screens of a channel what changed. Changes are gathered for a moment and read once, however many screens
 * listen, and only what differs is told; with none listening nothing is read at all.
 */
export class ChannelStream {
  private readonly channels = new Map<string, Watched>()

  constructor(private readonly options: ChannelStreamOptions) {}

  /** The channels of which screens are open. */
  watched(): string[] {
    return [...this.channels.keys()]
  }

  /** Tells a screen all that is to be seen, and from then on what changes. */
  listen(channelId: string, screen: Screen): Listening {
    const watched = this.channels.get(channelId) ?? this.watch(channelId)
    watched.screens.add(screen)
    const known = this.whole(watched)
    if (known !== null) screen.tell(known)
    else this.plan(watched, 0)
    return {
      whole: () => this.whole(watched),
      stop: () => {
        watched.screens.delete(screen)
        if (watched.screens.size > 0 || this.channels.get(channelId) !== watched) return
        clearTimeout(watched.timer ?? undefined)
        this.channels.delete(channelId)
      },
    }
  }

  /** Something of a channel has changed: screens here and elsewhere show it. */
  changed(channelId: string, topic: LiveTopic = 'all'): void {
    this.changedHere(channelId, topic)
    this.options.onChanged?.(channelId, topic)
  }

  /** The same, for screens of this process alone. */
  changedHere(channelId: string, topic: LiveTopic = 'all'): void {
    const watched = this.channels.get(channelId)
    if (!watched) return
    watched.model.note(topic)
    if (watched.isReading) watched.isChanged = true
    else this.plan(watched, this.pauseMs(watched))
  }

  /** Something changed that concerns everybody. */
  changedEverywhere(): void {
    for (const channelId of this.channels.keys()) this.changedHere(channelId)
  }

  /** Whoever signed out there is told nothing more, in this moment. */
  endSession(sessionId: string): void {
    for (const { screens } of this.channels.values())
      for (const screen of [...screens]) if (screen.sessionId === sessionId) screen.end()
  }

  close(): void {
    for (const { timer } of this.channels.values()) clearTimeout(timer ?? undefined)
    const all = [...this.channels.values()]
    this.channels.clear()
    for (const { screens } of all) for (const screen of [...screens]) screen.end()
  }

  private watch(channelId: string): Watched {
    const watched: Watched = {
      model: this.options.model(channelId),
      screens: new Set(),
      stream: newId('live'),
      seq: 0,
      live: null,
      liveText: null,
      timer: null,
      isReading: false,
      isChanged: false,
      tookMs: 0,
    }
    this.channels.set(channelId, watched)
    this.options.onWatched?.(channelId)
    return watched
  }

  private pauseMs({ tookMs }: Watched): number {
    return Math.max(atMostEveryMs, Math.min(longestPauseMs, tookMs / readingMostRatio))
  }

  private plan(watched: Watched, afterMs: number): void {
    if (watched.timer !== null || watched.isReading) return
    watched.timer = setTimeout(() => {
      watched.timer = null
      void this.tell(watched)
    }, afterMs)
  }

  private async tell(watched: Watched): Promise<void> {
    const startedMs = performance.now()
    watched.isReading = true
    watched.isChanged = false
    try {
      this.take(watched, await watched.model.read())
    } catch (error) {
      this.options.onError(error)
    }
    watched.isReading = false
    watched.tookMs = performance.now() - startedMs
    const { againAfterMs } = watched.model
    if (watched.screens.size === 0) return
    if (watched.isChanged) this.plan(watched, this.pauseMs(watched))
    else if (againAfterMs !== null) this.plan(watched, Math.max(againAfterMs, this.pauseMs(watched)))
  }

  private take(watched: Watched, live: ChannelLive): void {
    const change = watched.live && liveChange(watched.live, live)
    if (watched.live && !change) return
    watched.live = live
    watched.liveText = null
    watched.seq++
    const text = change ? this.words(watched, `"change":${JSON.stringify(change)}`) : this.whole(watched)
    if (text !== null) for (const screen of [...watched.screens]) screen.tell(text)
  }

  private whole(watched: Watched): string | null {
    if (!watched.live) return null
    watched.liveText ??= JSON.stringify(watched.live)
    return this.words(watched, `"whole":${watched.liveText}`)
  }

  /** A `LiveMessage` in words. @param what its last field, in words already */
  private words({ stream, seq }: Watched, what: string): string {
    const head = JSON.stringify({ stream, seq, serverNowMs: this.options.wallMs() })
    return `${head.slice(0, -1)},${what}}`
  }
}
