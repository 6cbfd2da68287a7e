import { Worker } from 'node:worker_threads'
import type { ProcessEntry } from '../../system/processEntry.ts'
import type { Answered, Asked, QueryAnswer } from './messages.ts'

interface QueryOptions {
  rowMode?: 'array' | 'object'
}

/** What can be asked of the engine, by itself or within a transaction. */
export interface Asking {
  query(text: string, params?: unknown[], options?: QueryOptions): Promise<QueryAnswer>
}

type Question = Asked extends infer Each ? (Each extends Asked ? Omit<Each, 'id'> : never) : never

/**
 * The embedded database on a thread of its own, to be asked like the engine itself. A transaction has it alone: whoever asks
 * meanwhile waits for its end.
 */
export class ThreadEngine implements Asking {
  private readonly asked = new Map<
    number,
    { resolve: (value: QueryAnswer | null) => void; reject: (error: Error) => void }
  >()
  private count = 0
  /** The transaction that has it; null while nobody does. */
  private taken: Promise<unknown> | null = null
  private isClosing = false

  private constructor(
    private readonly worker: Worker,
    private readonly onGone: () => void,
  ) {
    worker.on('message', (answer: Answered) => this.hear(answer))
    worker.on('exit', () => {
      const gone = Object.assign(new Error('The embedded database has ended'), { code: 'ECONNRESET' })
      for (const { reject } of this.asked.values()) reject(gone)
      this.asked.clear()
      if (!this.isClosing) this.onGone()
    })
  }

  /**
   * @param onGone told where it ends though nobody closed it: nothing can be kept any more
   * @throws where the folder cannot be opened
   */
  static async open(folder: string, entry: ProcessEntry, onGone: () => void): Promise<ThreadEngine> {
    const worker = new Worker(entry.path, { workerData: { folder }, execArgv: entry.execArgv })
    await new Promise<void>((resolve, reject) => {
      worker.once('message', () => resolve())
      // What breaks it later ends it, too, and that is heard.
      worker.on('error', reject)
      worker.once('exit', () => reject(new Error('The embedded database could not be opened')))
    })
    return new ThreadEngine(worker, onGone)
  }

  async query(text: string, params: unknown[] = [], { rowMode = 'object' }: QueryOptions = {}): Promise<QueryAnswer> {
    while (this.taken) await this.taken
    return this.ask(text, params, rowMode)
  }

  async exec(text: string): Promise<void> {
    while (this.taken) await this.taken
    await this.say({ do: 'exec', text })
  }

  async transaction<T>(work: (within: Asking) => Promise<T>): Promise<T> {
    while (this.taken) await this.taken
    const done = this.runTransaction(work)
    this.taken = done.catch(() => undefined).then(() => (this.taken = null))
    return done
  }

  async close(): Promise<void> {
    this.isClosing = true
    await this.say({ do: 'close' })
    await this.worker.terminate()
  }

  private async runTransaction<T>(work: (within: Asking) => Promise<T>): Promise<T> {
    await this.say({ do: 'exec', text: 'begin' })
    try {
      const value = await work({
        query: (text, params = [], { rowMode = 'object' } = {}) => this.ask(text, params, rowMode),
      })
      await this.say({ do: 'exec', text: 'commit' })
      return value
    } catch (error) {
      await this.say({ do: 'exec', text: 'rollback' })
      throw error
    }
  }

  private async ask(text: string, params: unknown[], rowMode: 'array' | 'object'): Promise<QueryAnswer> {
    return (await this.say({ do: 'query', text, params, rowMode })) ?? { rows: [], fields: [] }
  }

  private say(question: Question): Promise<QueryAnswer | null> {
    const id = this.count++
    return new Promise((resolve, reject) => {
      this.asked.set(id, { resolve, reject })
      this.worker.postMessage({ ...question, id })
    })
  }

  private hear(answer: Answered): void {
    if (answer.id === 'open') return
    const waiting = this.asked.get(answer.id)
    this.asked.delete(answer.id)
    if (!waiting) return
    if ('value' in answer) waiting.resolve(answer.value)
    else {
      const { message, ...more } = answer.error
      waiting.reject(Object.assign(new Error(message), more))
    }
  }
}
