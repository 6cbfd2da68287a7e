import type { Page } from '@playwright/test'

/** Starts the score that the page has loaded; for `frameIntervals`. */
export const playing =
  'const h = globalThis.harness; h.playback = h.playScore(h.stage, h.prepared, null, 0, { onEnded() {} }); return () => h.playback.stop()'

/**
 * How long each frame takes while something runs on the page.
 * @param start script that starts it and returns what stops it
 */
export async function frameIntervals(page: Page, start: string, forMs: number): Promise<number[]> {
  return page.evaluate(
    async ([script, wantedMs]) => {
      const stop = (await new Function(`return (async () => { ${script} })()`)()) as (() => void) | undefined
      await new Promise((resolve) => setTimeout(resolve, 400))
      const found: number[] = []
      let last = performance.now()
      const until = last + Number(wantedMs)
      await new Promise<void>((resolve) => {
        const frame = (now: number) => {
          found.push(now - last)
          last = now
          if (now < until) requestAnimationFrame(frame)
          else resolve()
        }
        requestAnimationFrame(frame)
      })
      stop?.()
      return found
    },
    [start, forMs] as const,
  )
}
