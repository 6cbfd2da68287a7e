import type { PlayRecord } from '../db/queries/playRecords.ts'

/** What is to be written down of a box's queue. */
export interface Ledger {
  records: PlayRecord[]
  /** Undefined: nothing new about whether sources are there. */
  absentSince: Date | null | undefined
}

export interface LedgerDependencies {
  /** Writes all of it. Written twice it does no harm. */
  write: (ledger: Ledger) => Promise<void>
  /** Told of every failure; whether it is one that passes by itself. */
  isPassing: (error: unknown) => boolean
  /** Something could not be written at all, and is left out. */
  onLost: (error: unknown) => void
}

const firstPauseMs = 150
const longestPauseMs = 2_000
/** So many are written at once: after a flood nobody who needs the database waits for all of it. */
export const writtenAtOnce = 1_000
/** What waits at the close is tried for so long. */
const closingMs = 3_000

/**
 * Writes what changed about plays in the background, in order, as much at once as has gathered meanwhile. While the
 * database is in trouble it is tried again until it is written; what gathers then is one record a play, however often it
 * changes. What cannot be written for another reason is left out alone.
 */
export class PlayLedger {
  private records = new Map<string, PlayRecord>()
  private absentSince: Date | null | undefined
  private running: Promise<void> | null = null
  private wake: (() => void) | null = null
  private closesAtMs: number | null = null
  private isAbandoned = false

  constructor(private readonly deps: LedgerDependencies) {}

  get isEmpty(): boolean {
    return !this.hasWork && this.running === null
  }

  private get hasWork(): boolean {
    return !this.isAbandoned && (this.records.size > 0 || this.absentSince !== undefined)
  }

  record(record: PlayRecord): void {
    this.records.set(record.id, { ...this.records.get(record.id), ...record })
    this.run()
  }

  recordAbsence(absentSince: Date | null): void {
    this.absentSince = absentSince
    this.run()
  }

  /** Resolves when what was recorded so far is written. */
  async settled(): Promise<void> {
    await this.running
  }

  /** The same, within a time. @returns whether it was */
  async isSettledWithin(ms: number): Promise<boolean> {
    let timer: ReturnType<typeof setTimeout> | undefined
    const late = new Promise<false>((resolve) => (timer = setTimeout(resolve, ms, false)))
    return Promise.race([this.settled().then(() => true), late]).finally(() => clearTimeout(timer))
  }

  /** Writes nothing more: whatever was recorded is not this process's to write. */
  abandon(): void {
    this.isAbandoned = true
    this.taken()
    this.wake?.()
  }

  /** Writes what is left, for a while. */
  async close(): Promise<void> {
    this.closesAtMs = performance.now() + closingMs
    this.wake?.()
    await this.running
  }

  private run(): void {
    // In the next turn: what one step of a queue records is written together.
    this.running ??= Promise.resolve()
      .then(() => this.drain())
      .finally(() => {
        this.running = null
        // What was recorded while the last of it ended has nobody else to begin with it.
        if (this.hasWork) this.run()
      })
  }

  private async drain(): Promise<void> {
    let pauseMs = firstPauseMs
    while (this.hasWork) {
      const ledger = this.taken(writtenAtOnce)
      const failure = await this.write(ledger)
      if (failure === null) {
        pauseMs = firstPauseMs
        continue
      }
      if (!this.deps.isPassing(failure.error)) {
        await this.writeEach(ledger, failure.error)
        continue
      }
      this.putBack(ledger)
      if (this.closesAtMs !== null && performance.now() > this.closesAtMs) {
        this.taken()
        return this.deps.onLost(failure.error)
      }
      await this.pause(pauseMs)
      pauseMs = Math.min(longestPauseMs, pauseMs * 2)
    }
  }

  /** What is to be written, the earliest first, which is then somebody else's. */
  private taken(most = Infinity): Ledger {
    const records: PlayRecord[] = []
    for (const [id, record] of this.records) {
      if (records.length >= most) break
      records.push(record)
      this.records.delete(id)
    }
    const ledger: Ledger = { records, absentSince: this.absentSince }
    this.absentSince = undefined
    return ledger
  }

  private async write(ledger: Ledger): Promise<{ error: unknown } | null> {
    return this.deps.write(ledger).then(
      () => null,
      (error: unknown) => ({ error }),
    )
  }

  /** One of them is at fault: the others are written. What fails through no fault of its own is put back. */
  private async writeEach({ records, absentSince }: Ledger, error: unknown): Promise<void> {
    const pieces: Ledger[] = records.map((record) => ({ records: [record], absentSince: undefined }))
    if (absentSince !== undefined) pieces.push({ records: [], absentSince })
    if (pieces.length === 1) return this.deps.onLost(error)
    for (const piece of pieces) {
      const failure = await this.write(piece)
      if (failure === null) continue
      if (this.deps.isPassing(failure.error)) this.putBack(piece)
      else this.deps.onLost(failure.error)
    }
  }

  /** What was recorded meanwhile is newer. */
  private putBack({ records, absentSince }: Ledger): void {
    for (const record of records) this.records.set(record.id, { ...record, ...this.records.get(record.id) })
    this.absentSince = this.absentSince === undefined ? absentSince : this.absentSince
  }

  private pause(ms: number): Promise<void> {
    return new Promise((resolve) => {
      const timer = setTimeout(resolve, ms)
      this.wake = () => {
        clearTimeout(timer)
        resolve()
      }
    })
  }
}
