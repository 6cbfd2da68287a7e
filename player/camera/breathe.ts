/** A page is not kept waiting longer than this at a stretch, in milliseconds. */
const longestMs = 10
let sinceMs = 0

const channel = new MessageChannel()
const waiting: (() => void)[] = []
channel.port1.onmessage = () => waiting.shift()?.()

interface Scheduler {
  postTask(task: () => void, options: { priority: 'background' }): Promise<void>
}

/** Lets the page do what a person waits for, once there has been work for a while. */
export async function breathe(): Promise<void> {
  if (performance.now() - sinceMs < longestMs) return
  const { scheduler } = globalThis as { scheduler?: Scheduler }
  // Browsers without an order of tasks are told by a message, which comes after what has waited longer.
  if (scheduler) await scheduler.postTask(() => undefined, { priority: 'background' })
  else
    await new Promise<void>((resolve) => {
      waiting.push(resolve)
      channel.port2.postMessage(null)
    })
  sinceMs = performance.now()
}
