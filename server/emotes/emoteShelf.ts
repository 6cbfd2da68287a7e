import { createHash } from 'node:crypto'
import { mkdir, readdir, readFile, rename, rm, stat, utimes, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import PQueue from 'p-queue'
import type { Logger } from 'pino'
import type { MeasureAnswer } from '../media/measure/measurement.ts'
import { dropOldest } from '../../core/dropOldest.ts'
import { newId } from '../system/ids.ts'
import { KeptPromises } from '../system/keptPromises.ts'
import { loggableError } from '../system/loggable.ts'
import { fetchOutside, type FetchLimits } from './fetchOutside.ts'

export interface Emote {
  mime: string
  bytes: Buffer
}

interface EmoteShelfOptions {
  folder: string
  logger: Logger
  /** Looks into a file in the process for that. */
  measure: (path: string) => Promise<MeasureAnswer>
  limits?: FetchLimits
  /** Emotes are kept up to this many bytes; the longest unasked go first. */
  bytesMost?: number
}

const usualLimits: FetchLimits = { maxBytes: 1024 * 1024, withinMs: 4_000 }
const atOnce = 4
const waitingMost = 100
/** What could not be had is not asked for again for so long. */
const failedForMs = 60_000
const failuresMost = 2_000

/**
 * The pictures of emotes as this server has them: fetched once from the platform, looked at by the same door as every file,
 * and kept. Whoever watches a broadcast page learns nothing of it, and neither does the platform of whoever broadcasts.
 */
export class EmoteShelf {
  private readonly fetching = new PQueue({ concurrency: atOnce })
  private readonly asked = new KeptPromises<string, Emote | null>()
  /** When each failed, by the steady clock. */
  private readonly failed = new Map<string, number>()
  private bytes: number | null = null

  constructor(private readonly options: EmoteShelfOptions) {}

  /** The picture; null where it cannot be had. */
  async read(url: string): Promise<Emote | null> {
    const key = createHash('sha256').update(url).digest('hex')
    const kept = await this.find(key)
    if (kept) return kept
    const failedAtMs = this.failed.get(key)
    if (failedAtMs !== undefined && performance.now() - failedAtMs < failedForMs) return null
    // One at a time for each: a wall of the same emote is fetched once.
    const asked = this.asked.get(key, () => this.bring(key, url))
    return asked.finally(() => this.asked.forget(key))
  }

  /** Has it ready for when it is needed. */
  warm(url: string): void {
    void this.read(url).catch(() => undefined)
  }

  private async bring(key: string, url: string): Promise<Emote | null> {
    if (this.fetching.size >= waitingMost) return null
    try {
      const emote = await this.fetching.add(() => this.fetchAndLook(url), { throwOnTimeout: true })
      await this.keep(key, emote)
      return emote
    } catch (error) {
      this.failed.delete(key)
      this.failed.set(key, performance.now())
      dropOldest(this.failed, failuresMost)
      this.options.logger.info(
        { reason: loggableError(error).message },
        'an emote could not be had; its word stands for it',
      )
      return null
    }
  }

  private async fetchAndLook(url: string): Promise<Emote> {
    const { folder, measure, limits = usualLimits } = this.options
    const bytes = await fetchOutside(url, limits)
    await mkdir(folder, { recursive: true, mode: 0o700 })
    const path = join(folder, `${newId('arriving')}.new`)
    await writeFile(path, bytes, { mode: 0o600 })
    const answer = await measure(path).finally(() => rm(path, { force: true }))
    if (!answer.ok) throw new Error(answer.reason)
    const { mime, measured, converted } = answer.measurement
    if (measured.of !== 'picture' || !mime.startsWith('image/')) throw new Error('it is no picture')
    return { mime, bytes: Buffer.from(converted ?? bytes) }
  }

  private pathOf(key: string): string {
    return join(this.options.folder, key)
  }

  /** One file each: a line with the type, then the picture. */
  private async find(key: string): Promise<Emote | null> {
    const file = await readFile(this.pathOf(key)).catch(() => null)
    const end = file?.indexOf(0x0a) ?? -1
    if (!file || end < 0) return null
    const now = new Date()
    await utimes(this.pathOf(key), now, now).catch(() => undefined)
    return { mime: file.subarray(0, end).toString('latin1'), bytes: file.subarray(end + 1) }
  }

  private async keep(key: string, { mime, bytes }: Emote): Promise<void> {
    const half = `${this.pathOf(key)}.${newId('half')}.new`
    await writeFile(half, Buffer.concat([Buffer.from(`${mime}\n`, 'latin1'), bytes]), { mode: 0o600 })
    await rename(half, this.pathOf(key))
    this.bytes =
      this.bytes === null ? (await this.files()).reduce((sum, file) => sum + file.size, 0) : this.bytes + bytes.length
    if (this.bytes > (this.options.bytesMost ?? 64 * 1024 * 1024)) await this.makeRoom()
  }

  private async files() {
    const names = await readdir(this.options.folder)
    return Promise.all(
      names.map(async (name) => {
        const { size, mtimeMs } = await stat(this.pathOf(name)).catch(() => ({ size: 0, mtimeMs: 0 }))
        return { name, size, mtimeMs }
      }),
    )
  }

  private async makeRoom(): Promise<void> {
    const files = (await this.files()).sort((a, b) => a.mtimeMs - b.mtimeMs)
    let left = files.reduce((sum, { size }) => sum + size, 0)
    for (const { name, size } of files) {
      if (left <= (this.options.bytesMost ?? 64 * 1024 * 1024) * 0.9) break
      await rm(this.pathOf(name), { force: true })
      left -= size
    }
    this.bytes = left
  }
}
