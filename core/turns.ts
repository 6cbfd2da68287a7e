/** Work that is done one after another. What one of them throws is its own: the next has its turn all the same. */
export class Turns {
  private last: Promise<unknown> = Promise.resolve()

  /** @returns what the work gives, or what it throws */
  take<T>(work: () => T | Promise<T>): Promise<T> {
    const done = this.last.then(work)
    this.last = done.catch(() => undefined)
    return done
  }

  /** Resolves when everything that waits now has been done. */
  async settled(): Promise<void> {
    await this.last
  }
}
