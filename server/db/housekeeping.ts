import type { DatabaseHandle } from './handle.ts'

/** What grows or changes all the time. */
const tables = ['event', 'play', 'decision', 'delivery', 'feed', 'box', 'heartbeat', 'session', 'media', 'intake']

const firstAfterMs = 15_000
const everyMs = 10 * 60_000
/** One table after another, so that nobody waits long for any of it. */
const pauseMs = 1_000

/**
 * Does for the embedded database what a PostgreSQL server does by itself: counts what is in its tables, so that plans fit
 * them, and frees what was overwritten.
 */
export class Housekeeping {
  private timer: ReturnType<typeof setTimeout> | null = null
  private next = 0

  constructor(
    private readonly database: DatabaseHandle,
    private readonly onError: (error: unknown) => void,
  ) {
    if (database.kind === 'embedded') this.plan(firstAfterMs)
  }

  close(): void {
    if (this.timer) clearTimeout(this.timer)
    this.timer = null
  }

  private plan(afterMs: number): void {
    this.timer = setTimeout(() => void this.tidy(), afterMs)
    this.timer.unref()
  }

  private async tidy(): Promise<void> {
    const table = tables[this.next] ?? ''
    this.next = (this.next + 1) % tables.length
    await this.database.execute(`vacuum (analyze) "${table}"`).catch(this.onError)
    if (this.timer) this.plan(this.next === 0 ? everyMs : pauseMs)
  }
}
