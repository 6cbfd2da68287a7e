import type { DatabaseHandle } from './handle.ts'

/** What only grows: it is counted, so that plans fit it. */
const growing = ['event', 'delivery', 'media', 'intake', 'points_entry', 'checkout', 'campaign_turn']
/** What is overwritten again and again: what was there before is freed, too. */
const changing = [
  ...['effect', 'play', 'lane', 'node', 'feed', 'box', 'heartbeat', 'session', 'sign_in_try'],
  ...['run', 'gate_state', 'gate_uses', 'balance', 'counter', 'studio', 'stand_in'],
]

const firstAfterMs = 15_000
const tidyEveryMs = 10 * 60_000
/** What was written since is done again after a crash: in so long it is little. */
const checkpointEveryMs = 20_000
/** One table after another, so that nobody waits long for any of it. */
const pauseMs = 1_000

/**
 * Does for the embedded database what a PostgreSQL server does by itself: writes down what is only in its log, counts what is in
 * its tables, so that plans fit them, and frees what was overwritten. Freeing reads a whole table where it never did before: it
 * is left for when nothing is on air.
 */
export class Housekeeping {
  private readonly timers = new Map<'tidy' | 'checkpoint', ReturnType<typeof setTimeout>>()
  private next = 0
  private isClosed = false

  /** @param isQuiet whether nobody would notice a second's pause */
  constructor(
    private readonly database: DatabaseHandle,
    private readonly isQuiet: () => boolean,
    private readonly onError: (error: unknown) => void,
  ) {
    if (database.kind !== 'embedded') return
    this.plan('tidy', firstAfterMs)
    this.plan('checkpoint', checkpointEveryMs)
  }

  close(): void {
    this.isClosed = true
    for (const timer of this.timers.values()) clearTimeout(timer)
  }

  private plan(what: 'tidy' | 'checkpoint', afterMs: number): void {
    if (this.isClosed) return
    const timer = setTimeout(() => void (what === 'tidy' ? this.tidy() : this.checkpoint()), afterMs)
    timer.unref()
    this.timers.set(what, timer)
  }

  private async checkpoint(): Promise<void> {
    await this.database.execute('checkpoint').catch(this.onError)
    this.plan('checkpoint', checkpointEveryMs)
  }

  private async tidy(): Promise<void> {
    const tables = [...growing, ...changing]
    const table = tables[this.next] ?? ''
    this.next = (this.next + 1) % tables.length
    const isFreed = changing.includes(table) && this.isQuiet()
    await this.database.execute(`${isFreed ? 'vacuum (analyze)' : 'analyze'} "${table}"`).catch(this.onError)
    this.plan('tidy', this.next === 0 ? tidyEveryMs : pauseMs)
  }
}
