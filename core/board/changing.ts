import { easeOut } from '../motion/easing.ts'

/** How far a change that began at `sinceMs` and takes `ms` is, 0…1, eased out. */
export function progressOf(sinceMs: number, ms: number, tMs: number): number {
  if (tMs >= sinceMs + ms) return 1
  return tMs <= sinceMs ? 0 : easeOut((tMs - sinceMs) / ms)
}

/** A number on its way from one value to another. */
export interface Going {
  from: number
  to: number
  sinceMs: number
}

export const goingAt = ({ from, to, sinceMs }: Going, ms: number, tMs: number): number =>
  from + (to - from) * progressOf(sinceMs, ms, tMs)

/**
 * A number that was changed from time to time, as it is shown: from each change on it goes from where it is to what it is
 * now. The first value stands from the beginning. Linear in the number of changes.
 */
export function numberAt(changes: readonly { atMs: number; value: number }[], ms: number, tMs: number): number {
  let going: Going | null = null
  for (const { atMs, value } of changes) {
    if (going === null) going = { from: value, to: value, sinceMs: atMs }
    else if (atMs > tMs) break
    else if (value !== going.to) going = { from: goingAt(going, ms, atMs), to: value, sinceMs: atMs }
  }
  return going === null ? 0 : goingAt(going, ms, tMs)
}
