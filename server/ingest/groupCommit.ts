import type { Database } from '../db/handle.ts'

interface Waiting<T> {
  work: (tx: Database) => Promise<T>
  resolve: (value: T) => void
  reject: (error: unknown) => void
}

const groupMax = 200
const waitingMax = 5_000

/** Raised when more work waits than will be done in reasonable time; the caller answers 503 and the sender tries again. */
export class TooBusyError extends Error {}

/**
 * Runs pieces of work in shared transactions: what arrives while one commits goes into the next together, so that a
 * flood costs one durable write per group instead of one per event. A promise resolves only after its commit. When a group
 * fails, each piece is tried alone, so that one bad piece cannot take others with it.
 */
export class GroupCommit {
  private waiting: Waiting<unknown>[] = []
  private isRunning = false

  constructor(private readonly db: Database) {}

  run<T>(work: (tx: Database) => Promise<T>): Promise<T> {
    if (this.waiting.length >= waitingMax) return Promise.reject(new TooBusyError('Too much is waiting to be written.'))
    return new Promise<T>((resolve, reject) => {
      this.waiting.push({ work, resolve: resolve as (value: unknown) => void, reject })
      if (!this.isRunning) void this.drain()
    })
  }

  private async drain(): Promise<void> {
    this.isRunning = true
    while (this.waiting.length > 0) {
      const group = this.waiting.splice(0, groupMax)
      try {
        const values = await this.db.transaction(async (tx) => {
          const results: unknown[] = []
          for (const each of group) results.push(await each.work(tx))
          return results
        })
        group.forEach((each, index) => each.resolve(values[index]))
      } catch (error) {
        if (group.length === 1) group[0]?.reject(error)
        else for (const each of group) await this.db.transaction(each.work).then(each.resolve, each.reject)
      }
    }
    this.isRunning = false
  }
}
