/** What a room of the server offers to handlers, from when the server has started until it ends. */
export interface Port<T> {
  /** Called once, where the server starts. */
  provide: (starting: Promise<T>) => void
  /** @throws what made the start fail */
  use: () => Promise<T>
}

/** Makes the port of a room: handlers know the rooms that they need, and not what else there is. */
export function definePort<T extends object>(room: string): Port<T> {
  let given: Promise<T> | null = null
  return {
    provide(starting) {
      given = starting
    },
    async use() {
      if (!given) throw new Error(`${room} was asked for before the server started`)
      return given
    },
  }
}
