import { createWriteStream } from 'node:fs'
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import type { DatabaseHandle } from '../db/handle.ts'
import type { MediaStore } from '../media/mediaStore.ts'
import { writeArchive } from './writeArchive.ts'

const kept = 7
const hourMs = 3_600_000
const lookEveryMs = 10 * 60_000
/** From then on one is due; it waits for an hour in which nothing is on air. */
const dueAfterMs = 23 * hourMs
/** So long it waits for that. */
const atLatestAfterMs = 30 * hourMs
/** Between any two questions: what is live comes first. */
const pauseMs = 5

/** Where the nights lie, in the data folder. */
export const nightsFolder = (dataFolder: string): string => join(dataFolder, 'backups')
const nightName = /^night-\d{4}-\d{2}-\d{2}T\d{6}\.tar$/

/** The backups that were taken by night, the newest first. */
export async function listNights(folder: string): Promise<{ path: string; atMs: number; bytes: number }[]> {
  const names = await readdir(folder).catch(() => [])
  const found = await Promise.all(
    names
      .filter((name) => nightName.test(name))
      .map(async (name) => {
        const path = join(folder, name)
        const { mtimeMs, size } = await stat(path)
        return { path, atMs: mtimeMs, bytes: size }
      }),
  )
  return found.sort((a, b) => b.atMs - a.atMs)
}

/**
 * Backs the embedded database up once a day and keeps seven: everything that is in it, secrets included, so that what was damaged can
 * be put back as it was. Media are not in it: each lies under its own hash and is never written to again.
 */
export class Nightly {
  private timer: ReturnType<typeof setInterval> | null = null
  private isRunning = false
  private isClosed = false

  /** @param isQuiet whether nothing is on air */
  constructor(
    private readonly deps: {
      database: DatabaseHandle
      media: MediaStore
      dataFolder: string
      isQuiet: () => boolean
      onError: (error: unknown) => void
    },
  ) {
    if (deps.database.kind !== 'embedded') return
    this.timer = setInterval(() => void this.look(Date.now()), lookEveryMs)
    this.timer.unref()
  }

  close(): void {
    this.isClosed = true
    if (this.timer) clearInterval(this.timer)
  }

  /** Takes one where it is due. Never fails. @returns whether it was taken */
  async look(nowMs: number): Promise<boolean> {
    const [newest] = await listNights(nightsFolder(this.deps.dataFolder))
    const sinceMs = newest ? nowMs - newest.atMs : Infinity
    if (this.isRunning || sinceMs < dueAfterMs) return false
    if (!this.deps.isQuiet() && sinceMs < atLatestAfterMs) return false
    this.isRunning = true
    try {
      await this.take(new Date(nowMs))
      return true
    } catch (error) {
      if (!this.isClosed) this.deps.onError(error)
      return false
    } finally {
      this.isRunning = false
    }
  }

  private async take(madeAt: Date): Promise<void> {
    const { database, media, dataFolder } = this.deps
    const folder = nightsFolder(dataFolder)
    await mkdir(folder, { recursive: true, mode: 0o700 })
    const path = join(folder, `night-${madeAt.toISOString().slice(0, 19).replaceAll(':', '')}.tar`)
    const breathe = async () => {
      if (this.isClosed) throw new Error('the server ends')
      await new Promise((resolve) => setTimeout(resolve, pauseMs))
    }
    const archive = writeArchive({ db: database.db, media, channel: null, hasMedia: false, madeAt, breathe })
    // Written beside and renamed: none that was cut off has the name of one that is whole.
    const half = `${path}.half`
    try {
      await pipeline(archive, createWriteStream(half, { mode: 0o600 }))
      await rename(half, path)
    } finally {
      await rm(half, { force: true })
    }
    for (const { path: old } of (await listNights(folder)).slice(kept)) await rm(old, { force: true })
  }
}
