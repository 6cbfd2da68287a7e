/** Runs something for a second, warmed up. @returns how often a second */
export async function perSecond(act: (index: number) => unknown): Promise<number> {
  for (let index = 0; index < 50; index++) await act(index)
  const startedMs = performance.now()
  let count = 0
  while (performance.now() - startedMs < 1000) {
    const answer = act(count++)
    if (answer instanceof Promise) await answer
  }
  return (count * 1000) / (performance.now() - startedMs)
}

const runs = 9

/** How long something takes in the middle of nine runs, warmed up. In milliseconds. */
export function medianMs(act: () => void): number {
  act()
  const times = Array.from({ length: runs }, () => {
    const startedMs = performance.now()
    act()
    return performance.now() - startedMs
  })
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)] ?? 0
}

export const whole = (count: number) => Math.round(count).toLocaleString('en')
