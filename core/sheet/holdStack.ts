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

/** What a change leads to: `show` is what the thing has to show from now on, absent where that does not change. */
export interface HoldResult<V> {
  stack: HoldStack<V>
  show?: V
}

/**
 * Holds a thing for a time. The newest lies on top; what lies beneath shows again when it ends.
 * @param now what the thing shows at the moment
 */
export function push<V>(stack: HoldStack<V>, hold: Hold<V>, now: V): HoldResult<V> {
  const rest = stack.holds.length === 0 ? now : stack.rest
  const next = { rest, holds: [...stack.holds.filter(({ id }) => id !== hold.id), hold] }
  return shown(stack, next, now)
}

/** Lets go of holds whose time has come, or that are named: their run was stopped. */
export function letGo<V>(stack: HoldStack<V>, nowMs: number, now: V, stopped: readonly string[] = []): HoldResult<V> {
  const holds = stack.holds.filter(({ id, untilMs }) => untilMs > nowMs && !stopped.includes(id))
  if (holds.length === stack.holds.length) return { stack }
  return shown(stack, { rest: stack.rest, holds }, now)
}

/**
 * A person has switched by hand: the person wins. Everything that was held is given up, and what the person chose stays.
 */
export const takenByHand = <V>(): HoldResult<V> => ({ stack: noHolds })

/** The moment at which the next hold ends; null while nothing is held. */
export function nextEndMs(stack: HoldStack<unknown>): number | null {
  return stack.holds.length === 0 ? null : Math.min(...stack.holds.map(({ untilMs }) => untilMs))
}

/** What a thing with these holds has to show: the topmost, else what was there before the first; null where nothing is held. */
export const shownBy = <V>({ rest, holds }: HoldStack<V>): V | null => holds.at(-1)?.value ?? rest

function shown<V>(before: HoldStack<V>, next: HoldStack<V>, now: V): HoldResult<V> {
  const wanted = shownBy(next)
  const stack = next.holds.length === 0 ? noHolds : next
  const has = shownBy(before) ?? now
  return wanted !== null && wanted !== has ? { stack, show: wanted } : { stack }
}
