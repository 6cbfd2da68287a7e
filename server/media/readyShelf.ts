import type { Measured } from '../../contract/media.ts'
import catalogue from '../../demo/media/files/catalogue.json'
import { addMedia } from '../db/queries/media.ts'
import type { Database } from '../db/handle.ts'
import type { MediaStore } from './mediaStore.ts'

/** Where files that come with the product stand: those of every library, and those of the gallery's sets. */
export type ShippedShelf = 'demo' | 'gallery'

/** Reads a file that comes with the product by its name; null when it is not there. */
export type ReadShippedFile = (shelf: ShippedShelf, file: string) => Promise<Uint8Array | null>

/** The tag of the files that come with the product. */
const readyTag = 'ready'

/**
 * Puts the pictures and sounds that come with the product into a channel's library: drawn and synthesised by scripts of
 * this project, free to use (CC0).
 * @returns their ids by the names of their files
 */
export async function addReadyFiles(
  db: Database,
  store: MediaStore,
  channelId: string,
  read: ReadShippedFile,
): Promise<Map<string, string>> {
  const ids = new Map<string, string>()
  for (const { file, name, kind, mime, widthPx, heightPx, durationMs, licence, measured } of catalogue) {
    const bytes = await read('demo', file)
    if (!bytes) throw new Error(`The shipped file ${file} is missing from this build`)
    const id = await store.put(bytes)
    ids.set(file, id)
    await addMedia(db, {
      id,
      channelId,
      name,
      kind: kind as 'picture' | 'sound',
      mime,
      widthPx,
      heightPx,
      durationMs,
      licence,
      sizeBytes: bytes.length,
      tags: [readyTag],
      measured: measured as Measured,
    })
  }
  return ids
}
