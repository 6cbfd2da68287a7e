interface Waiting<Item, Value> {
  item: Item
  resolve: (value: Value) => void
  reject: (error: unknown) => void
}

const groupMax = 200
const waitingMax = 5_000
/** So long a group is tried again while the database is in trouble; then its senders are told to come back. */
const patienceMs = 2_500
const pauseMs = 200

/**
 * Raised when more waits than will be written in reasonable time; the caller answers 503 and the sender tries again.
 */
export class TooBusyError extends Error {}

export interface GroupCommitOptions<Item, Value> {
  /**
   * Writes all items or none, and answers with one value for each, in order.
   * @param isAgain some of them may be there already: whether an earlier try was written is not known
   */
  commit: (items: readonly Item[], isAgain: boolean) => Promise<readonly Value[]>
  /** Told of every failure; whether it is one that passes by itself. */
  isPassing?: (error: unknown) => boolean
}

/**
 * Writes items in groups: what arrives while one group commits goes into the next together, so that a flood costs one
 * durable write per group instead of one per item. A promise resolves only after its commit. A failure that passes is
 * tried again for a while; where a group fails otherwise, each item is tried alone, so that one bad item cannot take
 * others with it.
 */
export class GroupCommit<Item, Value> {
  private waiting: Waiting<Item, Value>[] = []
  private isRunning = false
  /** When the trouble that nobody saw the end of began; null while all is well. Monotonic. */
  private troubledSinceMs: number | null = null

  constructor(private readonly options: GroupCommitOptions<Item, Value>) {}

  add(item: Item): Promise<Value> {
    if (this.waiting.length >= waitingMax) return Promise.reject(new TooBusyError('Too much is waiting to be written.'))
    return new Promise<Value>((resolve, reject) => {
      this.waiting.push({ item, resolve, reject })
      if (!this.isRunning) void this.drain()
    })
  }

  private async drain(): Promise<void> {
    this.isRunning = true
    while (this.waiting.length > 0) await this.settle(this.waiting.splice(0, groupMax), false)
    this.isRunning = false
  }

  private async settle(group: readonly Waiting<Item, Value>[], isAgain: boolean): Promise<void> {
    for (let again = isAgain; ; again = true) {
      const failure = await this.write(group, again)
      if (failure === null) {
        this.troubledSinceMs = null
        return
      }
      if (!(this.options.isPassing?.(failure.error) ?? false)) {
        const [only] = group
        if (group.length === 1) return only?.reject(failure.error)
        for (const each of group) await this.settle([each], true)
        return
      }
      this.troubledSinceMs ??= performance.now()
      // Who comes while the trouble lasts is not kept waiting for nothing.
      if (performance.now() - this.troubledSinceMs > patienceMs) {
        for (const each of group) each.reject(failure.error)
        return
      }
      await new Promise((resolve) => setTimeout(resolve, pauseMs))
    }
  }

  /** @returns why it failed; null where all of it is written */
  private async write(group: readonly Waiting<Item, Value>[], isAgain: boolean): Promise<{ error: unknown } | null> {
    try {
      const values = await this.options.commit(
        group.map((each) => each.item),
        isAgain,
      )
      group.forEach((each, index) => each.resolve(values[index] as Value))
      return null
    } catch (error) {
      return { error }
    }
  }
}
