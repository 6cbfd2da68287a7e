import { createReadStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import type { Database, DatabaseHandle } from '../db/handle.ts'
import { applyMigrations, migrate, type Migration } from '../db/migrate.ts'
import { keptTables } from '../db/keptTables.ts'
import { countOn, currentSchema, endWhatWaits, hasAnything, putRows } from '../db/queries/backup.ts'
import type { MediaStore } from '../media/mediaStore.ts'
import type { ArchiveManifest } from './archiveForm.ts'
import { rowOfEvent } from './keptEvents.ts'
import { BackupFault, mediaOf, readArchive } from './readArchive.ts'

/** Rows go in a few at a time: the embedded database reads what it is given whole. */
const rowsAtOnce = 500
const bytesAtOnce = 4 * 1024 * 1024

export interface RestoreInto {
  database: DatabaseHandle
  media: MediaStore
  migrations: readonly Migration[]
  /** A folder that is made, and gone afterwards. */
  spool: string
  /** What is done now, for whoever waits. */
  onStep?: (words: string) => void
}

/** What was restored. */
export interface Restored {
  about: ArchiveManifest
  rows: number
  /** Rows that refer to something that was gone when they were read; they were left out. */
  leftOut: number
  media: number
}

/**
 * Puts a backup into an empty server: all of it or nothing. The tables are made as they were when it was taken, filled, and brought
 * up to date by the same steps as any database of that time.
 * @throws BackupFault where the backup cannot be used, or something is there already
 */
export async function restoreArchive(path: string, into: RestoreInto): Promise<Restored> {
  const { database, media, migrations, spool, onStep = () => undefined } = into
  try {
    onStep('Reading the backup and checking that it is whole…')
    const { about, lines, mediaCount } = await readArchive(path, spool)
    const known = [...migrations].sort((a, b) => (a.name < b.name ? -1 : 1))
    const newest = known.findIndex(({ name }) => name === about.schema)
    if (newest < 0)
      throw new BackupFault(
        'This backup was taken by a newer Thundercrest. Restore it with that one, or update this one first.',
      )
    await refuseWhatIsThere(database.db)
    onStep(`Putting back ${mediaCount} files…`)
    let files = 0
    if (about.hasMedia)
      for await (const { id, bytes } of mediaOf(path)) {
        if ((await media.put(bytes)) !== id) throw new BackupFault(`The file ${id} is not what its name says.`)
        files += 1
      }
    await applyMigrations(database, known.slice(0, newest + 1))
    const counts = await database.db.transaction(async (tx) => {
      await refuseWhatIsThere(tx)
      const filled = await fill(tx, lines, onStep)
      await endWhatWaits(tx, whyOver)
      return filled
    })
    onStep('Bringing it up to date…')
    await migrate(database, migrations)
    return { about, media: files, ...counts }
  } finally {
    await rm(spool, { recursive: true, force: true })
  }
}

/** @throws BackupFault where a channel or an account is there */
async function refuseWhatIsThere(db: Database): Promise<void> {
  if (await hasAnything(db))
    throw new BackupFault(
      'This server is not empty, and a backup is restored only where nothing is: nothing was changed. Choose another data folder with THUNDERCREST_DATA or --data.',
    )
}

const whyOver = 'It waited when the backup was taken that this was restored from.'

type Lines = ReadonlyMap<string, string>
interface Counts {
  rows: number
  leftOut: number
}

/** Fills the tables, each after what it refers to. */
async function fill(db: Database, lines: Lines, onStep: (words: string) => void): Promise<Counts> {
  const counts = { rows: 0, leftOut: 0 }
  const schema = await currentSchema(db)
  for (const { name, isHistory } of [...keptTables].reverse()) {
    const file = lines.get(name)
    if (file === undefined) continue
    onStep(`Putting back ${isHistory ? 'the history' : name.replaceAll('_', ' ')}…`)
    for await (const rows of batches(file, isHistory)) {
      const put = await putRows(db, schema, name, rows)
      counts.rows += put
      counts.leftOut += rows.length - put
    }
    await countOn(db, name)
  }
  const unknown = [...lines.keys()].find((name) => !keptTables.some((each) => each.name === name))
  if (unknown !== undefined) throw new BackupFault(`The backup has a table that is not known here: ${unknown}.`)
  return counts
}

async function* batches(file: string, isHistory: boolean): AsyncGenerator<string[]> {
  let rows: string[] = []
  let bytes = 0
  for await (const line of createInterface({ input: createReadStream(file), crlfDelay: Infinity })) {
    if (line === '') continue
    rows.push(isHistory ? JSON.stringify(rowOfEvent(JSON.parse(line) as Record<string, unknown>)) : line)
    bytes += line.length
    if (rows.length < rowsAtOnce && bytes < bytesAtOnce) continue
    yield rows
    rows = []
    bytes = 0
  }
  if (rows.length > 0) yield rows
}
