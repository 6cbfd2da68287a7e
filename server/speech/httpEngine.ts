import * as z from 'zod'
import { err, ok, type Result } from '../../core/result.ts'
import { spokenOf, type SpeechEngine, type SpeechRequest, type Spoken, type Voice } from './engine.ts'

const usualDeadlineMs = 10_000
/** A minute of speech at 48 kHz in base 64. */
const answerMaxBytes = 10_000_000

const word = z.object({ from: z.int().min(0), to: z.int().min(0), atMs: z.number().min(0) })
const voicesAnswer = z.object({
  voices: z
    .array(
      z.object({
        id: z.string().min(1).max(120),
        language: z.string().min(1).max(40),
        name: z.string().min(1).max(120),
      }),
    )
    .max(2000),
})
const speakAnswer = z.object({
  rateHz: z.int().optional(),
  pcm: z.string().optional(),
  words: z.array(word).max(2000).optional(),
  error: z.string().max(300).optional(),
})

/**
 * An engine that an operator names by its address. `GET <address>/voices` and `POST <address>/speak` take and answer
 * the same JSON as the engines that run as programs of their own. A deadline, and a bound on what is read of an answer:
 * a broken service costs the voice, nothing else.
 */
export class HttpEngine implements SpeechEngine {
  private readonly under = new Set<AbortController>()

  /** @param deadlineMs after so long a service is not waited for any more */
  constructor(
    private readonly address: string,
    private readonly deadlineMs = usualDeadlineMs,
  ) {}

  async voices(): Promise<Result<Voice[], string>> {
    const answer = await this.ask('voices')
    if (!answer.ok) return answer
    const checked = voicesAnswer.safeParse(answer.value)
    return checked.success ? ok(checked.data.voices) : err('The voice service answered something else.')
  }

  async speak(request: SpeechRequest): Promise<Result<Spoken, string>> {
    const answer = await this.ask('speak', request)
    if (!answer.ok) return answer
    const checked = speakAnswer.safeParse(answer.value)
    return checked.success ? spokenOf(checked.data) : err('The voice service answered something else.')
  }

  close(): void {
    for (const asking of this.under) asking.abort()
  }

  private async ask(what: 'voices' | 'speak', body?: object): Promise<Result<unknown, string>> {
    // Not `AbortSignal.any` with a timeout: whatever is collected meanwhile takes the deadline with it (Node 20).
    const asking = new AbortController()
    const { signal } = asking
    const deadline = setTimeout(() => asking.abort(new DOMException('too long', 'TimeoutError')), this.deadlineMs)
    this.under.add(asking)
    try {
      const answer = await fetch(
        `${this.address}/${what}`,
        body
          ? {
              method: 'POST',
              headers: { 'content-type': 'application/json' },
              body: JSON.stringify(body),
              signal,
              redirect: 'error',
            }
          : { signal, redirect: 'error' },
      )
      if (!answer.ok) return err(`The voice service answered ${answer.status}.`)
      return ok(JSON.parse(await readUpTo(answer, answerMaxBytes)))
    } catch (error) {
      return err(
        error instanceof DOMException && error.name === 'TimeoutError'
          ? 'The voice took too long.'
          : 'The voice service does not answer as it should.',
      )
    } finally {
      clearTimeout(deadline)
      this.under.delete(asking)
    }
  }
}

/** The text of an answer. @throws RangeError where it is longer than is read */
async function readUpTo(answer: Response, maxBytes: number): Promise<string> {
  const pieces: Uint8Array[] = []
  let length = 0
  const reader = answer.body?.getReader()
  for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) {
    length += read.value.length
    if (length > maxBytes) {
      await reader?.cancel()
      throw new RangeError('more than is read of an answer')
    }
    pieces.push(read.value)
  }
  return Buffer.concat(pieces).toString('utf8')
}
