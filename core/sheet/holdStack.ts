/** A hold on one thing of the studio (the programme scene, one source): for as long as it lasts it shows this. */
export interface Hold<V> {
  id: string
  value: V
  untilMs: number
}

/** What is held of one thing. `rest`: what was there before the first hold; null while nothing is held. */
export interface HoldStack<V> {
  rest: V | null
  /** The topmost last. */
  holds: readonly Hold<V>[]
}

export const noHolds = { rest: null, holds: [] } as const

/**
 * Holds a thing for a time. The newest lies on top; what lies beneath shows again when it ends.
 * @param now what the thing shows at the moment
 */
export function push<V>({ rest, holds }: HoldStack<V>, hold: Hold<V>, now: V): HoldStack<V> {
  return { rest: holds.length === 0 ? now : rest, holds: [...holds.filter(({ id }) => id !== hold.id), hold] }
}

/** Lets go of holds whose time has come, or that are named: their run was stopped. */
export function letGo<V>(stack: HoldStack<V>, nowMs: number, stopped: readonly string[] = []): HoldStack<V> {
  const holds = stack.holds.filter(({ id, untilMs }) => untilMs > nowMs && !stopped.includes(id))
  if (holds.length === stack.holds.length) return stack
  return holds.length === 0 ? noHolds : { rest: stack.rest, holds }
}

/** The moment at which the next hold ends; null while nothing is held. */
export function nextEndMs(stack: HoldStack<unknown>): number | null {
  return stack.holds.length === 0 ? null : Math.min(...stack.holds.map(({ untilMs }) => untilMs))
}

/** What a thing with these holds has to show: the topmost; null where nothing is held. */
export const shownBy = <V>({ holds }: HoldStack<V>): V | null => holds.at(-1)?.value ?? null
