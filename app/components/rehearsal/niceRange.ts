const secondMs = 1_000
const minuteMs = 60 * secondMs
const hourMs = 60 * minuteMs
/** Steps between the times of an axis. */
const steps = [
  ...[5, 10, 30].map((each) => each * secondMs),
  ...[1, 2, 5, 10, 20, 30].map((each) => each * minuteMs),
  ...[1, 2, 4, 8, 12, 24, 48].map((each) => each * hourMs),
]
const ticksMost = 7
/** What lies less than that of a step beyond a tick is not worth another. */
const beyond = 0.03

/** A stretch of time with round ticks in it. */
export function niceRange({ min, max }: { min: number; max: number }): { min: number; max: number; ticks: number[] } {
  const lengthMs = Math.max(secondMs, max - min)
  const stepMs = steps.find((each) => lengthMs / each <= ticksMost) ?? lengthMs / ticksMost
  const from = Math.floor(min / stepMs + beyond) * stepMs
  const until = Math.max(from + stepMs, Math.ceil(max / stepMs - beyond) * stepMs)
  return {
    ...{ min: from, max: until },
    ticks: Array.from({ length: Math.round((until - from) / stepMs) + 1 }, (_, at) => from + at * stepMs),
  }
}

const mantissas = [1, 1.4, 2, 3, 4, 6, 8, 10]
/** A round number that is at least so much, and whose half is round as well. */
export function niceMost(value: number): number {
  const power = 10 ** Math.floor(Math.log10(Math.max(2, value)))
  return Math.max(2, (mantissas.find((each) => each * power >= value) ?? 10) * power)
}

const waits = [10, 20, 40, 60, 120, 240, 480, 960, 1_200, 2_400, 3_600, 7_200, 14_400].map((each) => each * secondMs)
/** The same of a wait in milliseconds. */
export const niceWait = (ms: number): number =>
  waits.find((each) => each >= ms) ?? Math.ceil(ms / (4 * hourMs)) * 4 * hourMs
