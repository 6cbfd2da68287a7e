import { createHash } from 'node:crypto'
import { existsSync } from 'node:fs'
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'

const idPattern = /^[0-9a-f]{64}$/

/** Media files by their content: a file's name is the SHA-256 of its bytes, so it is stored once and never changes. */
export class MediaFolder {
  constructor(private readonly folder: string) {}

  /** Stores bytes and returns their id. Written beside and renamed: a file under its id is always whole. */
  async put(bytes: Uint8Array): Promise<string> {
    const id = createHash('sha256').update(bytes).digest('hex')
    const path = this.pathOf(id)
    if (existsSync(path)) return id
    await mkdir(this.folder, { recursive: true })
    const half = `${path}.${process.pid}.new`
    await writeFile(half, bytes)
    await rename(half, path)
    return id
  }

  /** The bytes; null when the file is gone. */
  async read(id: string): Promise<Buffer | null> {
    return readFile(this.pathOf(id)).catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return null
      throw error
    })
  }

  private pathOf(id: string): string {
    if (!idPattern.test(id)) throw new Error('A media id is 64 hexadecimal digits')
    return join(this.folder, id)
  }
}
