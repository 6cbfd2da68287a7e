interface Waiting<Item, Value> {
  item: Item
  resolve: (value: Value) => void
  reject: (error: unknown) => void
}

const groupMax = 200
const waitingMax = 5_000

/**
 * Raised when more waits than will be written in reasonable time; the caller answers 503 and the sender tries again.
 */
export class TooBusyError extends Error {}

/**
 * Writes items in groups: what arrives while one group commits goes into the next together, so that a flood costs one
 * durable write per group instead of one per item. A promise resolves only after its commit. When a group fails, each
 * item is tried alone, so that one bad item cannot take others with it.
 */
export class GroupCommit<Item, Value> {
  private waiting: Waiting<Item, Value>[] = []
  private isRunning = false

  /** @param commit writes all items or none, and answers with one value for each, in order */
  constructor(private readonly commit: (items: readonly Item[]) => Promise<readonly Value[]>) {}

  add(item: Item): Promise<Value> {
    if (this.waiting.length >= waitingMax) return Promise.reject(new TooBusyError('Too much is waiting to be written.'))
    return new Promise<Value>((resolve, reject) => {
      this.waiting.push({ item, resolve, reject })
      if (!this.isRunning) void this.drain()
    })
  }

  private async drain(): Promise<void> {
    this.isRunning = true
    while (this.waiting.length > 0) {
      const group = this.waiting.splice(0, groupMax)
      const isWritten = await this.write(group).catch(() => false)
      if (!isWritten) for (const each of group) await this.write([each]).catch(each.reject)
    }
    this.isRunning = false
  }

  private async write(group: readonly Waiting<Item, Value>[]): Promise<boolean> {
    const values = await this.commit(group.map((each) => each.item))
    group.forEach((each, index) => each.resolve(values[index] as Value))
    return true
  }
}
