import { fork, type ChildProcess } from 'node:child_process'
import type { ProcessEntry } from '../../system/processEntry.ts'

/** Tells in which language each of some texts is. `own`: what is taken for the channel's own where that may as well be. */
export interface LanguageGuesser {
  guess(texts: readonly string[], own: string): Promise<string[]>
}

export interface GuessQuestion {
  id: number
  texts: readonly string[]
  own: string
}

/** A play waits three seconds for its voice; a language that is not known by then is taken for the channel's. */
const answersWithinMs = 2_500
const idleMs = 10 * 60_000
const heapMiB = 128
const waitingMost = 200

/** Asks a process of its own. Where that hangs, crashes or is not there, every text is in the channel's own language. */
export class LanguageProcess implements LanguageGuesser {
  private child: ChildProcess | null = null
  private idle: ReturnType<typeof setTimeout> | null = null
  private readonly waiting = new Map<number, (languages: readonly string[] | null) => void>()
  private nextId = 1

  constructor(private readonly entry: ProcessEntry) {}

  async guess(texts: readonly string[], own: string): Promise<string[]> {
    if (texts.length === 0 || this.waiting.size >= waitingMost) return texts.map(() => own)
    const id = this.nextId++
    let late: ReturnType<typeof setTimeout> | undefined
    const languages = await new Promise<readonly string[] | null>((resolve) => {
      this.waiting.set(id, resolve)
      late = setTimeout(() => {
        this.end()
        resolve(null)
      }, answersWithinMs)
      this.running().send({ id, texts, own } satisfies GuessQuestion, (error) => error && resolve(null))
    })
    clearTimeout(late)
    this.waiting.delete(id)
    return texts.map((_text, index) => languages?.[index] ?? own)
  }

  close(): void {
    this.end()
  }

  private running(): ChildProcess {
    if (this.idle) clearTimeout(this.idle)
    this.idle = setTimeout(() => this.end(), idleMs).unref()
    if (this.child?.connected) return this.child
    const child = fork(this.entry.path, {
      execArgv: [`--max-old-space-size=${heapMiB}`, '--max-semi-space-size=2', ...this.entry.execArgv],
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      env: { PATH: process.env.PATH },
    })
    this.child = child
    child.on('message', (answer: 'ready' | { id: number; languages: string[] }) => {
      if (answer !== 'ready') this.waiting.get(answer.id)?.(answer.languages)
    })
    for (const event of ['exit', 'error'] as const)
      child.once(event, () => {
        if (this.child === child) this.end()
      })
    child.unref()
    child.channel?.unref()
    return child
  }

  /** Whoever waits for it waits no longer. */
  private end(): void {
    if (this.idle) clearTimeout(this.idle)
    this.child?.kill('SIGKILL')
    this.child = null
    for (const tell of this.waiting.values()) tell(null)
    this.waiting.clear()
  }
}
