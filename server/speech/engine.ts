import { spawn, type ChildProcess } from 'node:child_process'
import { createInterface } from 'node:readline'
import { err, ok, type Result } from '../../core/result.ts'
import type { SpokenWord } from '../../core/speech/spoken.ts'
import { guardProcess, type ProcessLimits } from '../system/guardProcess.ts'
import { Turns } from '../../core/turns.ts'

/** What an engine made of a text: mono, 16 bits. */
export interface Spoken {
  rateHz: number
  samples: Int16Array
  /** Empty where the engine does not tell. */
  words: SpokenWord[]
}

export interface Voice {
  id: string
  /** BCP 47, as the engine has it. */
  language: string
  name: string
}

/** What is to be said, and how. `rate` in words a minute, `pitch` from 0 to 100. */
export interface SpeechRequest {
  text: string
  voice: string
  rate: number
  pitch: number
}

/** Whatever can read a text aloud. Every engine passes `speechEngines.test.ts`. */
export interface SpeechEngine {
  voices(): Promise<Result<Voice[], string>>
  /** Never rejects: what goes wrong is an answer, and the alert plays without a voice. */
  speak(request: SpeechRequest): Promise<Result<Spoken, string>>
  close(): void
}

export interface EngineLimits extends ProcessLimits {
  idleMs: number
}

const usualLimits: EngineLimits = { deadlineMs: 12_000, memoryBytes: 600 * 1024 * 1024, idleMs: 10 * 60_000 }

const startAgainMs = 300

/** What an engine answers, over its pipe or by HTTP. */
export type EngineAnswer = {
  ready?: true
  error?: string
  voices?: Voice[]
  rateHz?: number
  pcm?: string
  words?: SpokenWord[]
}

/**
 * An engine that runs as a program of its own and speaks JSON lines. It is started when it is first asked and asked one
 * thing at a time; when it hangs, crashes or takes too much memory it is ended, what was asked fails with a reason, and
 * it is started again: at once, so that the next alert does not wait for that, and where it breaks again before it has
 * answered, by the next question. It has no lower priority than others: an alert waits for it, and on a machine that is
 * busy broadcasting it would come too late.
 */
export class EngineProcess implements SpeechEngine {
  private child: ChildProcess | null = null
  private readonly turns = new Turns()
  private timer: ReturnType<typeof setTimeout> | null = null
  /** Whether it has answered since it was last started because it broke. */
  private hasAnswered = false
  private pending: ((answer: EngineAnswer) => void) | null = null
  /** The most memory that any process took, in bytes; for benchmarks. */
  peakBytes = 0

  /** @param command the program and its arguments */
  constructor(
    private readonly command: readonly [string, ...string[]],
    private readonly limits: EngineLimits = usualLimits,
  ) {}

  async voices(): Promise<Result<Voice[], string>> {
    const { voices, error } = await this.ask({ ask: 'voices' })
    return voices ? ok(voices) : err(error ?? 'The voice program answered something else.')
  }

  async speak(request: SpeechRequest): Promise<Result<Spoken, string>> {
    return spokenOf(await this.ask({ ask: 'speak', ...request }))
  }

  close(): void {
    if (this.timer) clearTimeout(this.timer)
    this.end()
  }

  private end(): void {
    this.child?.kill('SIGKILL')
    this.child = null
  }

  private ask(question: object): Promise<EngineAnswer> {
    return this.turns
      .take(() => this.askNow(question))
      .catch((error: unknown) => ({
        error: `The voice program cannot be asked: ${error instanceof Error ? error.message.slice(0, 120) : 'it broke'}.`,
      }))
  }

  private async askNow(question: object): Promise<EngineAnswer> {
    if (this.timer) clearTimeout(this.timer)
    if (!this.child) {
      const started = await this.exchange(null)
      if (!started.ready) return { error: started.error ?? 'The voice program does not start.' }
    }
    const answer = await this.exchange(question)
    if (this.child) {
      this.hasAnswered = true
      this.timer = setTimeout(() => this.end(), this.limits.idleMs).unref()
    } else this.startAgain()
    return answer
  }

  private startAgain(): void {
    if (!this.hasAnswered) return
    this.hasAnswered = false
    this.timer = setTimeout(() => void this.voices(), startAgainMs).unref()
  }

  /**
   * Sends a line, or starts the program, and waits for a line: within the deadline, while it stays within its memory.
   */
  private exchange(question: object | null): Promise<EngineAnswer> {
    return new Promise((resolve) => {
      const child = this.child ?? this.start()
      const end = (answer: EngineAnswer, isOver: boolean) => {
        if (this.pending === null) return
        this.pending = null
        letGo()
        if (isOver) this.end()
        resolve(answer)
      }
      const letGo = guardProcess(child.pid, this.limits, {
        tooLong: () => end({ error: 'The voice took too long.' }, true),
        tooMuch: () => end({ error: 'The voice took too much memory.' }, true),
        seen: (bytes) => (this.peakBytes = Math.max(this.peakBytes, bytes)),
      })
      this.pending = (answer) => end(answer, answer === gone)
      if (question) child.stdin?.write(`${JSON.stringify(question)}\n`)
    })
  }

  private start(): ChildProcess {
    const [program, ...args] = this.command
    const child = spawn(program, args, { stdio: ['pipe', 'pipe', 'ignore'], env: { PATH: process.env.PATH } })
    this.child = child
    if (child.stdout)
      createInterface({ input: child.stdout }).on('line', (line) => this.child === child && this.pending?.(read(line)))
    for (const event of ['exit', 'error'] as const) {
      child.once(event, () => {
        // One that was ended before is nobody's any more: whoever waits now waits for another.
        if (this.child !== child) return
        this.child = null
        if (this.pending) this.pending(gone)
        else this.startAgain()
      })
    }
    // Writing to a program that has just ended is no error of ours.
    child.stdin?.on('error', () => undefined)
    child.unref()
    return child
  }
}

/** What an engine's answer holds. @returns what is wrong with it, where it is no sound */
export function spokenOf({ pcm, rateHz, words, error }: EngineAnswer): Result<Spoken, string> {
  if (typeof pcm !== 'string' || typeof rateHz !== 'number' || rateHz < 8000 || rateHz > 96_000)
    return err(error ?? 'The voice program answered something else.')
  const bytes = Buffer.from(pcm, 'base64')
  const samples = new Int16Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + (bytes.length & ~1)))
  return samples.length > 0 ? ok({ rateHz, samples, words: words ?? [] }) : err('The voice said nothing.')
}

const gone: EngineAnswer = { error: 'The voice program stopped.' }

function read(line: string): EngineAnswer {
  try {
    return JSON.parse(line) as EngineAnswer
  } catch {
    return { error: 'The voice program answered something else.' }
  }
}
