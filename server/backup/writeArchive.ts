import { createHash, type Hash } from 'node:crypto'
import { Transform, type Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { pack, type Pack } from 'tar-stream'
import type { Database } from '../db/handle.ts'
import { keptTables, type KeptTable } from '../db/keptTables.ts'
import { listKeptFiles, newestMigration, pageOfEvents, pageOfRows, type KeptPage } from '../db/queries/backup.ts'
import type { MediaStore } from '../media/mediaStore.ts'
import { endName, formName, formVersion, manifestName, type ArchiveEnd, type ArchiveManifest } from './archiveForm.ts'
import { keptEvent } from './keptEvents.ts'

/** Rows that are read at once: a question that others do not notice. */
const rowsAtOnce = 1_000
/** A part is written when it has grown to so much. */
const partBytes = 2 * 1024 * 1024

/** What is backed up. */
export interface ArchiveSubject {
  db: Database
  media: MediaStore
  /** The channel; null: everything of the server, secrets of people included. */
  channel: { id: string; name: string } | null
  hasMedia: boolean
  madeAt: Date
  /** Between any two questions; rejects to give up. */
  breathe?: () => Promise<void>
}

/**
 * Writes a backup while the server runs, a piece at a time: what it takes of memory does not depend on how much there is.
 * @returns the bytes of a tar; destroyed with the reason where something fails, so that nobody takes it for whole
 */
export function writeArchive(subject: ArchiveSubject): Readable {
  const tar = pack()
  new Writer(tar, subject).write().then(
    () => tar.finalize(),
    (error: unknown) => tar.destroy(error instanceof Error ? error : new Error('the backup failed')),
  )
  return tar as unknown as Readable
}

class Writer {
  private readonly end: ArchiveEnd = { entries: [] }

  constructor(
    private readonly tar: Pack,
    private readonly subject: ArchiveSubject,
  ) {}

  async write(): Promise<void> {
    const { channel, hasMedia, madeAt, db } = this.subject
    const about: ArchiveManifest = {
      ...{ form: formName, version: formVersion, schema: await newestMigration(db), madeAt: madeAt.toISOString() },
      ...{ channel, hasMedia },
    }
    await this.entry(manifestName, Buffer.from(`${JSON.stringify(about, null, 2)}\n`))
    for (const table of keptTables)
      if (!table.isSecret || channel === null) await (table.isHistory ? this.history(table) : this.rows(table))
    if (hasMedia) await this.media()
    await this.put(endName, Buffer.from(`${JSON.stringify(this.end)}\n`))
  }

  private async rows(table: KeptTable): Promise<void> {
    const { db, channel } = this.subject
    const parts = new Parts(this, `tables/${table.name}`)
    const page = (behind: unknown[] | null) => pageOfRows(db, table, channel?.id ?? null, behind, rowsAtOnce)
    for await (const line of this.all(page)) await parts.add(line)
    await parts.close()
  }

  private async history(table: KeptTable): Promise<void> {
    const { db, channel } = this.subject
    const parts = new Parts(this, 'history/events')
    const page = (behind: unknown[] | null) => pageOfEvents(db, table, channel?.id ?? null, behind, rowsAtOnce)
    for await (const row of this.all(page)) await parts.add(JSON.stringify(keptEvent(row)))
    await parts.close()
  }

  /** All of what comes in pages, one after another. */
  private async *all<Each>(pageBehind: (behind: unknown[] | null) => Promise<KeptPage<Each>>): AsyncGenerator<Each> {
    for (let behind: unknown[] | null = null; ;) {
      await this.subject.breathe?.()
      const page: KeptPage<Each> = await pageBehind(behind)
      yield* page.rows
      if (page.rows.length < rowsAtOnce) return
      behind = page.last
    }
  }

  /** Every file that a row of the media names, once. */
  private async media(): Promise<void> {
    const { db, channel, media, breathe } = this.subject
    for (const id of await listKeptFiles(db, channel?.id ?? null)) {
      await breathe?.()
      const size = await media.size(id)
      // What is gone is gone: the backup says what there is.
      if (size !== null) await this.stream(`media/${id}`, size, await media.stream(id, null))
    }
  }

  /** An entry of its own. @param bytes all of it */
  async entry(name: string, bytes: Buffer): Promise<void> {
    await this.put(name, bytes)
    this.note(name, createHash('sha256').update(bytes), bytes.length)
  }

  private put(name: string, bytes: Buffer): Promise<void> {
    const header = { name, mtime: this.subject.madeAt, mode: 0o600 }
    return new Promise((resolve, reject) => {
      this.tar.entry(header, bytes, (error) => (error ? reject(error) : resolve()))
    })
  }

  private async stream(name: string, size: number, from: Readable): Promise<void> {
    const hash = createHash('sha256')
    const hashed = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        hash.update(chunk)
        done(null, chunk)
      },
    })
    const entry = this.tar.entry({ name, size, mtime: this.subject.madeAt, mode: 0o600 })
    await pipeline(from, hashed, entry as unknown as NodeJS.WritableStream)
    this.note(name, hash, size)
  }

  private note(name: string, hash: Hash, bytes: number): void {
    this.end.entries.push({ name, sha256: hash.digest('hex'), bytes })
  }
}

/** Lines that become entries of some size, however many there are. */
class Parts {
  private lines: string[] = []
  private bytes = 0
  private count = 0

  constructor(
    private readonly writer: { entry(name: string, bytes: Buffer): Promise<void> },
    private readonly name: string,
  ) {}

  async add(line: string): Promise<void> {
    this.lines.push(line)
    this.bytes += line.length
    if (this.bytes >= partBytes) await this.close()
  }

  async close(): Promise<void> {
    if (this.lines.length === 0) return
    this.count += 1
    const bytes = Buffer.from(`${this.lines.join('\n')}\n`)
    this.lines = []
    this.bytes = 0
    await this.writer.entry(`${this.name}.${this.count}.ndjson`, bytes)
  }
}
