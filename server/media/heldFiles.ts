import type { Database } from '../db/handle.ts'
import { isFileReferenced } from '../db/queries/media.ts'
import { Turns } from '../../core/turns.ts'
import type { MediaStore } from './mediaStore.ts'

/**
 * Files between the store and the database: a file is put before it stands in any library, and the same file may be on its way
 * into several at once. Whoever puts one holds it until it is written down or given up; a file goes only when nobody holds it
 * and nothing refers to it. One after another, so that no file goes in the moment in which somebody finds it there.
 */
export class HeldFiles {
  private readonly holds = new Map<string, number>()
  private readonly turns = new Turns()

  constructor(
    private readonly db: Database,
    private readonly store: MediaStore,
  ) {}

  /** Stores a file and holds it. @returns its id */
  put(bytes: Uint8Array): Promise<string> {
    return this.turns.take(async () => {
      const id = await this.store.put(bytes)
      this.holds.set(id, (this.holds.get(id) ?? 0) + 1)
      return id
    })
  }

  /** Lets go of files that were put: those that nothing refers to go. Never rejects. */
  async release(ids: readonly (string | null)[]): Promise<void> {
    for (const id of ids) {
      if (id === null) continue
      const left = (this.holds.get(id) ?? 1) - 1
      if (left > 0) this.holds.set(id, left)
      else this.holds.delete(id)
    }
    await this.removeUnused(ids)
  }

  /** Removes files that nobody holds and nothing refers to. Never rejects: what cannot be looked up stays. */
  async removeUnused(ids: readonly (string | null)[]): Promise<void> {
    for (const id of new Set(ids)) {
      if (id === null) continue
      await this.turns
        .take(async () => {
          if (this.holds.has(id) || (await isFileReferenced(this.db, id))) return
          await this.store.remove(id)
        })
        .catch(() => undefined)
    }
  }
}
