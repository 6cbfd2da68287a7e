import { readFile } from 'node:fs/promises'

const watchEveryMs = 100

/** What a process may take for one piece of work. */
export interface ProcessLimits {
  deadlineMs: number
  memoryBytes: number
}

/**
 * Watches a process while it works: for how long, and for what it holds in memory (Linux; elsewhere for time alone).
 * @param on what to do where it takes too long or too much; `seen` is told every measure
 * @returns ends the watching
 */
export function guardProcess(
  pid: number | undefined,
  limits: ProcessLimits,
  on: { tooLong(): void; tooMuch(): void; seen(bytes: number): void },
): () => void {
  let isOn = true
  const deadline = setTimeout(on.tooLong, limits.deadlineMs)
  const watch = setInterval(() => {
    void residentBytes(pid).then((bytes) => {
      // A measure that was still under way is of no piece of work any more.
      if (!isOn) return
      on.seen(bytes)
      if (bytes > limits.memoryBytes) on.tooMuch()
    })
  }, watchEveryMs)
  return () => {
    isOn = false
    clearTimeout(deadline)
    clearInterval(watch)
  }
}

/** What a process holds in memory; 0 where the system does not tell. */
async function residentBytes(pid: number | undefined): Promise<number> {
  const pages = await readFile(`/proc/${pid}/statm`, 'utf8').then(
    (text) => Number(text.split(' ')[1]),
    () => 0,
  )
  return pages * 4096
}
