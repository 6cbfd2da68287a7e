import { createHash } from 'node:crypto'
import { createReadStream, existsSync } from 'node:fs'
import { mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { newId } from '../system/ids.ts'
import { checkMediaId, type ByteSpan, type MediaStore } from './mediaStore.ts'

const nullIfGone = (error: NodeJS.ErrnoException) => {
  if (error.code === 'ENOENT') return null
  throw error
}

/** Media files in a folder. */
export class FolderStore implements MediaStore {
  constructor(private readonly folder: string) {}

  async put(bytes: Uint8Array): Promise<string> {
    const id = createHash('sha256').update(bytes).digest('hex')
    const path = this.pathOf(id)
    if (existsSync(path)) return id
    await mkdir(this.folder, { recursive: true })
    // Written beside and renamed: nobody reads half a file.
    // Of two puts of one file at once each has a half of its own.
    const half = `${path}.${newId('half')}.new`
    await writeFile(half, bytes)
    await rename(half, path)
    return id
  }

  read(id: string): Promise<Buffer | null> {
    return readFile(this.pathOf(id)).catch(nullIfGone)
  }

  async size(id: string): Promise<number | null> {
    return (await stat(this.pathOf(id)).catch(nullIfGone))?.size ?? null
  }

  stream(id: string, span: ByteSpan | null): Promise<Readable> {
    return Promise.resolve(createReadStream(this.pathOf(id), span ? { start: span.first, end: span.last } : {}))
  }

  remove(id: string): Promise<void> {
    return rm(this.pathOf(id), { force: true })
  }

  private pathOf(id: string): string {
    return join(this.folder, checkMediaId(id))
  }
}
