import { createHmac } from 'node:crypto'
import { mkdir, readdir, readFile, rename, rm, stat, utimes, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import * as z from 'zod'
import type { VoiceChoice } from '../../core/speech/voiceChoice.ts'
import { newId } from '../system/ids.ts'
import type { Recording } from './recordSpeech.ts'

/** What is kept of a recording beside its file. */
const facts = z.object({
  durationMs: z.number(),
  level: z.object({ lufs: z.number(), truePeakDbtp: z.number() }).nullable(),
  words: z.array(z.object({ from: z.number(), to: z.number(), atMs: z.number() })),
  waveform: z.object({ stretchMs: z.number(), peaks: z.array(z.number()) }),
})
export type SpeechFacts = z.infer<typeof facts>

/** Raised where recordings would come out otherwise. */
const recordedBy = 1
const keyPattern = /^[a-f0-9]{64}$/

/**
 * Recordings of what was said, by what was said and how: the same words are spoken once. What was not asked for longest
 * goes when there are too many. Keys are sealed with the server's secret: nobody finds out whether something was said
 * by computing its key.
 */
export class SpeechCache {
  private bytes: number | null = null

  constructor(
    private readonly folder: string,
    private readonly secret: string,
    private readonly bytesMost = 256 * 1024 * 1024,
  ) {}

  /** @param mostMs what is longer was cut there; null where nothing was */
  keyOf(text: string, { engine, voice, rate, pitch }: VoiceChoice, mostMs: number | null = null): string {
    return createHmac('sha256', this.secret)
      .update(
        JSON.stringify(['speech', recordedBy, engine, voice, rate, pitch, text, ...(mostMs === null ? [] : [mostMs])]),
      )
      .digest('hex')
  }

  /** What is known of a recording; null where there is none. */
  async find(key: string): Promise<SpeechFacts | null> {
    const text = await readFile(this.pathOf(key, 'json'), 'utf8').catch(() => null)
    const found = text === null ? null : facts.safeParse(parsed(text))
    if (!found?.success) return null
    const now = new Date()
    // Asked for now; a file that went in between is made again.
    await utimes(this.pathOf(key, 'wav'), now, now).catch(() => undefined)
    return found.data
  }

  async put(key: string, { wav, ...rest }: Recording): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 })
    await this.write(key, 'wav', wav)
    // The facts last: a recording is there when they are.
    await this.write(key, 'json', JSON.stringify(rest))
    this.bytes = (this.bytes ?? (await this.size())) + wav.length
    if (this.bytes > this.bytesMost) await this.makeRoom()
  }

  /** The file of a recording. Null for none, and for what is no key. */
  async read(key: string): Promise<Buffer | null> {
    return keyPattern.test(key) ? readFile(this.pathOf(key, 'wav')).catch(() => null) : null
  }

  /** Forgets all recordings: what is read again is spoken again. @returns how many there were */
  async clear(): Promise<number> {
    const files = await this.files()
    for (const { key } of files) await this.remove(key)
    this.bytes = null
    return files.length
  }

  private async remove(key: string): Promise<void> {
    await rm(this.pathOf(key, 'json'), { force: true })
    await rm(this.pathOf(key, 'wav'), { force: true })
  }

  /** What all recordings take. */
  async taken(): Promise<{ count: number; bytes: number }> {
    const files = await this.files()
    return { count: files.length, bytes: files.reduce((sum, { bytes }) => sum + bytes, 0) }
  }

  private async write(key: string, kind: 'wav' | 'json', content: Uint8Array | string): Promise<void> {
    const path = this.pathOf(key, kind)
    const half = `${path}.${newId('half')}.new`
    await writeFile(half, content, { mode: 0o600 })
    await rename(half, path)
  }

  private async files(): Promise<{ key: string; bytes: number; atMs: number }[]> {
    const names = (await readdir(this.folder).catch(() => [])).filter((name) => name.endsWith('.wav'))
    return Promise.all(
      names.map(async (name) => {
        const { size, mtimeMs } = await stat(join(this.folder, name)).catch(() => ({ size: 0, mtimeMs: 0 }))
        return { key: name.slice(0, -4), bytes: size, atMs: mtimeMs }
      }),
    )
  }

  private size = async (): Promise<number> => (await this.taken()).bytes

  /** Lets a tenth of the room go, the longest unasked first. */
  private async makeRoom(): Promise<void> {
    const files = (await this.files()).sort((a, b) => a.atMs - b.atMs)
    let left = files.reduce((sum, { bytes }) => sum + bytes, 0)
    for (const { key, bytes } of files) {
      if (left <= this.bytesMost * 0.9) break
      await this.remove(key)
      left -= bytes
    }
    this.bytes = left
  }

  private pathOf(key: string, kind: 'wav' | 'json'): string {
    if (!keyPattern.test(key)) throw new RangeError('SpeechCache: this is no key')
    return join(this.folder, `${key}.${kind}`)
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
