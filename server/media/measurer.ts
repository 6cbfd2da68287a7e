import { fork, type ChildProcess } from 'node:child_process'
import { setPriority } from 'node:os'
import PQueue from 'p-queue'
import { measureDeadlineMs, measureMemoryBytes } from './measure/limits.ts'
import { err, type Result } from '../../core/result.ts'
import type { Unpacked } from '../packs/unpack.ts'
import type { MeasureAnswer } from './measure/measurement.ts'
import { guardProcess } from '../system/guardProcess.ts'
import type { ProcessEntry } from '../system/processEntry.ts'

/** What is asked of a process: to measure a file, or to unpack a pack into a folder. */
export type MeasurerQuestion = string | { pack: string; into: string }

/** What a process says: that it needs so long, or how it ended. */
type Told<Answer> = Answer | { deadlineMs: number }

const heapMiB = 512
const idleMs = 30_000
/** Before it is known what a file is. */
const firstDeadlineMs = 8_000
/** A pack of a gigabyte on a slow disk. */
const packDeadlineMs = 120_000
/** So many files are measured side by side: one that takes long keeps nobody else waiting. */
const sideBySide = 2

const stopped = (why: string): MeasureAnswer => ({
  ok: false,
  reason: why,
  advice: 'Make it smaller or shorter, or export it again.',
  canDecodeInBrowser: false,
})

/**
 * Measures files in processes of their own, a few side by side, each one file at a time. A file that hangs its process,
 * makes it crash or takes too much memory costs that process and nothing else: it is ended, the file is refused, and the
 * next one gets a new process. (A thread could be ended too, but neither bounded in what native decoders allocate nor
 * survived when one of them crashes.)
 */
export class Measurer {
  private readonly waiting = new PQueue({ concurrency: sideBySide })
  private readonly resting: MeasuringProcess[] = []
  private readonly running = new Set<MeasuringProcess>()
  private isClosed = false
  /** The most memory that any process took, in bytes; for benchmarks. */
  peakBytes = 0

  constructor(
    private readonly entry: ProcessEntry,
    private readonly limits = { deadlineMs: measureDeadlineMs, memoryBytes: measureMemoryBytes },
  ) {}

  /** Never rejects: what goes wrong is an answer. */
  measure(path: string): Promise<MeasureAnswer> {
    return this.ask(path, firstDeadlineMs, stopped)
  }

  /** Looks through a pack and lays its files into a folder. Never rejects: what goes wrong is an answer. */
  unpack(pack: string, into: string): Promise<Result<Unpacked, string>> {
    return this.ask({ pack, into }, packDeadlineMs, (why) => err(`The pack cannot be read. ${why}`))
  }

  private ask<Answer extends { ok: boolean }>(
    question: MeasurerQuestion,
    deadlineMs: number,
    failed: (why: string) => Answer,
  ): Promise<Answer> {
    return this.waiting
      .add(() => this.askNow({ question, deadlineMs, failed }), { throwOnTimeout: true })
      .catch(() => failed('The program that measures files cannot be asked.'))
  }

  close(): void {
    this.isClosed = true
    for (const each of [...this.resting, ...this.running]) each.end()
  }

  private async askNow<Answer extends { ok: boolean }>(asked: Asked<Answer>): Promise<Answer> {
    if (this.isClosed) return asked.failed('The server stops.')
    const worker = this.resting.pop() ?? new MeasuringProcess(this.entry, this.limits, (gone) => this.forget(gone))
    this.running.add(worker)
    const answer = await worker.ask(asked).catch(() => {
      worker.end()
      return asked.failed('The program that measures files cannot be asked.')
    })
    this.peakBytes = Math.max(this.peakBytes, worker.peakBytes)
    this.running.delete(worker)
    if (worker.isAlive && !this.isClosed) this.resting.push(worker)
    else worker.end()
    return answer
  }

  private forget(worker: MeasuringProcess): void {
    const at = this.resting.indexOf(worker)
    if (at >= 0) this.resting.splice(at, 1)
  }
}

interface Asked<Answer extends { ok: boolean }> {
  question: MeasurerQuestion
  deadlineMs: number
  /** What to answer where the process does not. */
  failed: (why: string) => Answer
}

/** One process, with what it is doing. */
class MeasuringProcess {
  private child: ChildProcess | null = null
  private idle: ReturnType<typeof setTimeout> | null = null
  peakBytes = 0

  constructor(
    private readonly entry: ProcessEntry,
    private readonly limits: { deadlineMs: number; memoryBytes: number },
    private readonly onEnded: (gone: MeasuringProcess) => void,
  ) {}

  get isAlive(): boolean {
    return this.child?.connected === true
  }

  end(): void {
    if (this.idle) clearTimeout(this.idle)
    this.child?.kill('SIGKILL')
    this.child = null
    this.onEnded(this)
  }

  async ask<Answer extends { ok: boolean }>({ question, deadlineMs, failed }: Asked<Answer>): Promise<Answer> {
    if (this.idle) clearTimeout(this.idle)
    const child = await this.start()
    if (!child) return failed('The program that measures files does not start.')
    // A file is looked at first, and then says itself how long it may take; an operator's limit is above that.
    const most = typeof question === 'string' ? this.limits.deadlineMs : deadlineMs
    return new Promise((resolve) => {
      let isOver = false
      const end = (answer: Answer, isChildOver: boolean) => {
        if (isOver) return
        isOver = true
        letGo()
        child.removeAllListeners('message').removeAllListeners('exit').removeAllListeners('error')
        child.on('error', () => undefined)
        if (isChildOver) this.end()
        else this.idle = setTimeout(() => this.end(), idleMs).unref()
        resolve(answer)
      }
      const watch = (withinMs: number) =>
        guardProcess(
          child.pid,
          { deadlineMs: Math.min(withinMs, most), memoryBytes: this.limits.memoryBytes },
          {
            tooLong: () => end(failed('Measuring the file takes too long.'), true),
            tooMuch: () => end(failed('Measuring the file takes too much memory.'), true),
            seen: (bytes) => (this.peakBytes = Math.max(this.peakBytes, bytes)),
          },
        )
      let letGo = watch(deadlineMs)
      child.on('message', (told: Told<Answer>) => {
        if ('ok' in told) return end(told, false)
        letGo()
        letGo = watch(told.deadlineMs)
      })
      const gone = () => end(failed('The file makes the program that measures it stop.'), true)
      child.once('exit', gone)
      child.once('error', gone)
      child.send(question, (error) => error && gone())
    })
  }

  private async start(): Promise<ChildProcess | null> {
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
    child.removeAllListeners('exit').removeAllListeners('error')
    // What is live goes first.
    if (isReady && child.pid) setPriority(child.pid, 10)
    // The server does not live on for it.
    child.unref()
    child.channel?.unref()
    this.child = isReady ? child : null
    return this.child
  }
}
