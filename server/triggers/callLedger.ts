import type { CallRecords, RunRecord } from '../db/queries/runs.ts'

interface CallLedgerDependencies {
  /** Writes all of it. Written twice it does no harm. */
  write: (records: CallRecords) => Promise<void>
  /** Told of every failure; whether it is one that passes by itself. */
  isPassing: (error: unknown) => boolean
  /** Something could not be written at all, and is left out. */
  onLost: (error: unknown) => void
}

const pausesMs = [150, 300, 600, 1_200, 2_000] as const
/** What waits at the close is tried for so long. */
const closingMs = 3_000

/**
 * Writes what became of what viewers asked for, in order, as much at once as has gathered meanwhile. What gathers of one gate, one
 * viewer or one run is one record, the newest. While the database is in trouble it is tried again until it is written.
 */
export class CallLedger {
  private states = new Map<string, CallRecords['states'][number]>()
  private uses = new Map<string, CallRecords['uses'][number]>()
  private entries: CallRecords['entries'] = []
  private counters = new Map<string, number>()
  private runs = new Map<string, RunRecord>()
  private studio: CallRecords['studio'] = null
  private running: Promise<void> | null = null
  private isAbandoned = false
  private closesAtMs = Infinity

  constructor(private readonly deps: CallLedgerDependencies) {}

  add(records: Partial<CallRecords>): void {
    for (const state of records.states ?? []) this.states.set(state.triggerId, state)
    for (const uses of records.uses ?? []) this.uses.set(`${uses.triggerId} ${uses.viewerId}`, uses)
    this.entries.push(...(records.entries ?? []))
    for (const { name, value } of records.counters ?? []) this.counters.set(name, value)
    for (const record of records.runs ?? []) this.runs.set(record.id, { ...this.runs.get(record.id), ...record })
    if (records.studio) this.studio = records.studio
    this.run()
  }

  /** Resolves when what was added so far is written, or nobody is to write it any more. */
  async settled(): Promise<void> {
    while (this.running) await this.running
  }

  /** Writes nothing more: it is another process's by now. */
  abandon(): void {
    this.isAbandoned = true
    this.taken()
  }

  /** Writes what is left, for a while. */
  async close(): Promise<void> {
    this.closesAtMs = performance.now() + closingMs
    await this.settled()
  }

  private get hasWork(): boolean {
    const { states, uses, entries, counters, runs, studio } = this
    return states.size + uses.size + entries.length + counters.size + runs.size > 0 || studio !== null
  }

  private run(): void {
    if (this.isAbandoned) return void this.taken()
    // In the next turn: what one step leads to is written together.
    this.running ??= Promise.resolve()
      .then(() => this.drain())
      .finally(() => {
        this.running = null
        if (this.hasWork) this.run()
      })
  }

  private taken(): CallRecords {
    const records: CallRecords = {
      states: [...this.states.values()],
      uses: [...this.uses.values()],
      entries: this.entries,
      counters: [...this.counters].map(([name, value]) => ({ name, value })),
      runs: [...this.runs.values()],
      studio: this.studio,
    }
    this.states = new Map()
    this.uses = new Map()
    this.entries = []
    this.counters = new Map()
    this.runs = new Map()
    this.studio = null
    return records
  }

  private async drain(): Promise<void> {
    while (this.hasWork && !this.isAbandoned) await this.writeAll(this.taken())
  }

  private async writeAll(records: CallRecords): Promise<void> {
    for (let tries = 0; !this.isAbandoned; tries++) {
      try {
        return await this.deps.write(records)
      } catch (error) {
        if (!this.deps.isPassing(error) || performance.now() > this.closesAtMs) return this.deps.onLost(error)
        const pauseMs = pausesMs[Math.min(tries, pausesMs.length - 1)]
        await new Promise((resolve) => setTimeout(resolve, pauseMs))
      }
    }
  }
}
