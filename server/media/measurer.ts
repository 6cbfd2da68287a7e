import { fork, type ChildProcess } from 'node:child_process'
import { setPriority } from 'node:os'
import { measureDeadlineMs, measureMemoryBytes } from './measure/limits.ts'
import type { MeasureAnswer } from './measure/measurement.ts'
import { guardProcess } from '../system/guardProcess.ts'
import { Turns } from '../system/turns.ts'

/** How the measuring process is started. */
export interface MeasurerEntry {
  path: string
  /** Options for Node itself. */
  execArgv: string[]
}

const heapMiB = 512
const idleMs = 30_000

const stopped = (why: string): MeasureAnswer => ({
  ok: false,
  reason: why,
  advice: 'Make it smaller or shorter, or export it again.',
  canDecodeInBrowser: false,
})

/**
 * Measures files one after another in a process of its own. A file that hangs it, makes it crash or takes too much
 * memory costs that process and nothing else: it is ended, the file is refused, and the next one gets a new process. (A
 * thread could be ended too, but neither bounded in what native decoders allocate nor survived when one of them
 * crashes.)
 */
export class Measurer {
  private child: ChildProcess | null = null
  private last: Promise<unknown> = Promise.resolve()
  private idle: ReturnType<typeof setTimeout> | null = null
  /** The most memory that any process took, in bytes; for benchmarks. */
  peakBytes = 0

  constructor(
    private readonly entry: MeasurerEntry,
    private readonly limits = { deadlineMs: measureDeadlineMs, memoryBytes: measureMemoryBytes },
  ) {}

  /** Never rejects: what goes wrong is an answer. */
  measure(path: string): Promise<MeasureAnswer> {
    const answer = this.last.then(() => this.measureNow(path))
    this.last = answer
    return answer
  }

  close(): void {
    if (this.idle) clearTimeout(this.idle)
    this.child?.kill('SIGKILL')
    this.child = null
  }

  private async measureNow(path: string): Promise<MeasureAnswer> {
    if (this.idle) clearTimeout(this.idle)
    const child = await this.running()
    if (!child) return stopped('The program that measures files does not start.')
    return new Promise((resolve) => {
      let isOver = false
      const end = (answer: MeasureAnswer, isChildOver: boolean) => {
        if (isOver) return
        isOver = true
        letGo()
        child.removeAllListeners('message').removeAllListeners('exit')
        if (isChildOver) this.close()
        else this.idle = setTimeout(() => this.close(), idleMs).unref()
        resolve(answer)
      }
      const letGo = guardProcess(child.pid, this.limits, {
        tooLong: () => end(stopped('Measuring the file takes too long.'), true),
        tooMuch: () => end(stopped('Measuring the file takes too much memory.'), true),
        seen: (bytes) => (this.peakBytes = Math.max(this.peakBytes, bytes)),
      })
      child.once('message', (answer: MeasureAnswer) => end(answer, false))
      child.once('exit', () => end(stopped('The file makes the program that measures it stop.'), true))
      child.send(path)
    })
  }

  private async running(): Promise<ChildProcess | null> {
    if (this.child?.connected) return this.child
    const child = fork(this.entry.path, {
      execArgv: [`--max-old-space-size=${heapMiB}`, ...this.entry.execArgv],
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      env: { PATH: process.env.PATH },
    })
    const isReady = await new Promise<boolean>((resolve) => {
      child.once('message', () => resolve(true))
      child.once('exit', () => resolve(false))
      child.once('error', () => resolve(false))
    })
    child.removeAllListeners('exit')
    // What is live goes first.
    if (isReady && child.pid) setPriority(child.pid, 10)
    // The server does not live on for it.
    child.unref()
    child.channel?.unref()
    this.child = isReady ? child : null
    return this.child
  }
}
