import type { Database } from '../db/handle.ts'
import { keepBeat, lastBeat } from '../db/queries/heartbeat.ts'

const beatEveryMs = 5_000
/** The part of the program that shows alerts. */
const part = 'server'

/**
 * Keeps in the database that the server runs, every few seconds: after a stop, however it came about, the next start
 * knows since when nothing was shown.
 */
export class Heartbeat {
  private timer: ReturnType<typeof setTimeout> | null = null
  private isClosed = false

  /** @param onError told where a beat could not be kept; the next one is tried all the same */
  constructor(
    private readonly db: Database,
    private readonly wallMs: () => number,
    private readonly onError: (error: unknown) => void,
  ) {}

  /** Begins. @returns when the server was last known to run before; null: never */
  async start(): Promise<Date | null> {
    const before = await lastBeat(this.db, part)
    await this.beat()
    this.plan()
    return before
  }

  /** Keeps the last moment, where the database still takes it. */
  async close(): Promise<void> {
    this.isClosed = true
    if (this.timer) clearTimeout(this.timer)
    await this.beat().catch(this.onError)
  }

  private beat(): Promise<void> {
    return keepBeat(this.db, part, new Date(this.wallMs()))
  }

  private plan(): void {
    this.timer = setTimeout(() => {
      void this.beat()
        .catch(this.onError)
        .then(() => this.isClosed || this.plan())
    }, beatEveryMs)
    this.timer.unref()
  }
}
