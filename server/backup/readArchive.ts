import { createHash } from 'node:crypto'
import { once } from 'node:events'
import { createReadStream, createWriteStream, type WriteStream } from 'node:fs'
import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { extract, type Header } from 'tar-stream'
import {
  archiveEnd,
  endName,
  formVersion,
  manifest,
  manifestName,
  partOf,
  type ArchiveManifest,
} from './archiveForm.ts'

/** What a person is told of a backup that cannot be used; nothing was written anywhere else by then. */
export class BackupFault extends Error {}

/** The most that an entry which is kept in memory may be. */
const smallMost = 512 * 1024 * 1024
const jsonMost = 100_000_000

/** A backup that was read to its end and found whole. */
export interface CheckedArchive {
  about: ArchiveManifest
  /** Rows by table, and the history as `event`: each a file of lines in the folder. */
  lines: ReadonlyMap<string, string>
  mediaCount: number
}

/**
 * Reads a backup from its beginning to its end, checks that it is whole, and lays its rows out as files: they are put back in another
 * order than they were taken. What it takes of memory does not depend on how much there is.
 * @param spool an empty folder for the rows
 * @throws BackupFault for what is no backup, is newer than this program, ended early or was changed
 */
export async function readArchive(path: string, spool: string): Promise<CheckedArchive> {
  await mkdir(spool, { recursive: true, mode: 0o700 })
  const hashes = new Map<string, string>()
  const files = new Map<string, { path: string; stream: WriteStream }>()
  let about: ArchiveManifest | null = null
  let end: unknown = null
  let mediaCount = 0
  try {
    for await (const { header, entry } of entriesOf(path)) {
      const { name } = header
      if (hashes.has(name)) throw new BackupFault(`The backup has ${name} twice: it was changed.`)
      if (end !== null) throw new BackupFault(`The backup goes on behind its end, with ${name}: it was changed.`)
      if (about === null && name !== manifestName) throw noBackup()
      const hash = createHash('sha256')
      if (name === manifestName || name === endName) {
        const bytes = await whole(entry, header, hash)
        const read = parsed(bytes, name)
        if (name === endName) end = read
        else about = checkedManifest(read)
      } else {
        const part = partOf(name)
        if (!part) throw new BackupFault(`The backup has something in it that does not belong there: ${name}.`)
        if (part.part === 'media') {
          for await (const chunk of entry as AsyncIterable<Buffer>) hash.update(chunk)
          mediaCount += 1
        } else {
          const table = part.part === 'history' ? 'event' : part.of
          const file = files.get(table) ?? begin(join(spool, `${table}.ndjson`))
          files.set(table, file)
          for await (const chunk of entry as AsyncIterable<Buffer>) {
            hash.update(chunk)
            if (!file.stream.write(chunk)) await once(file.stream, 'drain')
          }
        }
      }
      if (name !== endName) hashes.set(name, hash.digest('hex'))
    }
  } catch (error) {
    // Whoever reads an entry is told as well as whoever asks for the next.
    if (/Unexpected end of data/i.test(String(error))) throw early()
    if (/Invalid tar header/i.test(String(error))) throw noBackup()
    throw error
  } finally {
    await Promise.all([...files.values()].map(({ stream }) => new Promise((done) => stream.end(done))))
  }
  if (about === null) throw noBackup()
  checkEnd(end, hashes)
  return { about, mediaCount, lines: new Map([...files].map(([table, { path: of }]) => [table, of])) }
}

/** The media of a backup, one after another. */
export async function* mediaOf(path: string): AsyncGenerator<{ id: string; bytes: Buffer }> {
  for await (const { header, entry } of entriesOf(path)) {
    const part = partOf(header.name)
    if (part?.part === 'media') yield { id: part.of, bytes: await whole(entry, header, null) }
    else entry.resume()
  }
}

const noBackup = () => new BackupFault('This is no backup of Thundercrest.')
const early = () =>
  new BackupFault(
    'The backup ends early: it was cut off while it was written or copied. Nothing was restored; take another one.',
  )

function begin(path: string): { path: string; stream: WriteStream } {
  const stream = createWriteStream(path, { mode: 0o600 })
  // A full disk ends the reading where it is written to next.
  stream.on('error', () => undefined)
  return { path, stream }
}

async function* entriesOf(path: string): AsyncGenerator<{ header: Header; entry: Readable }> {
  const tar = extract()
  const from = createReadStream(path)
  from.on('error', (error) => tar.destroy(error))
  from.pipe(tar as unknown as NodeJS.WritableStream)
  try {
    for await (const entry of tar as unknown as AsyncIterable<Readable & { header: Header }>)
      yield { header: entry.header, entry }
  } finally {
    from.destroy()
  }
}

async function whole(entry: Readable, { size = 0 }: Header, hash: ReturnType<typeof createHash> | null) {
  if (size > smallMost) throw new BackupFault('The backup has a file of more than half a gigabyte in it.')
  const chunks: Buffer[] = []
  for await (const chunk of entry as AsyncIterable<Buffer>) {
    hash?.update(chunk)
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}

function parsed(bytes: Buffer, name: string): unknown {
  if (bytes.length > jsonMost) throw new BackupFault(`The backup’s ${name} is too large to be one.`)
  try {
    return JSON.parse(bytes.toString('utf8')) as unknown
  } catch {
    throw new BackupFault(`The backup’s ${name} cannot be read: it was changed.`)
  }
}

function checkedManifest(read: unknown): ArchiveManifest {
  const checked = manifest.safeParse(read)
  if (!checked.success) throw noBackup()
  if (checked.data.version > formVersion)
    throw new BackupFault(
      'This backup was taken by a newer Thundercrest. Restore it with that one, or update this one first.',
    )
  return checked.data
}

function checkEnd(end: unknown, hashes: ReadonlyMap<string, string>): void {
  if (end === null) throw early()
  const read = archiveEnd.safeParse(end)
  if (!read.success) throw new BackupFault(`The backup’s ${endName} cannot be read: it was changed.`)
  const told = new Map(read.data.entries.map(({ name, sha256 }) => [name, sha256]))
  for (const [name, hash] of hashes)
    if (told.get(name) !== hash)
      throw new BackupFault(`The backup’s ${name} is not what was written: it was damaged. Nothing was restored.`)
  if (told.size !== hashes.size) throw early()
}
