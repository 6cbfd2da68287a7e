import type { Database } from '../db/handle.ts'
import { addChannel, addMember } from '../db/queries/people.ts'
import type { MediaStore } from '../media/mediaStore.ts'
import { addReadyFiles, type ReadShippedFile } from '../media/readyShelf.ts'
import { newId } from '../system/ids.ts'

/** A channel as it begins: with the files that ship, and somebody who owns it. @returns its id */
export async function makeChannel(
  db: Database,
  files: { media: MediaStore; readShippedFile: ReadShippedFile },
  name: string,
  ownerId: string,
): Promise<string> {
  const id = newId('channel')
  await addChannel(db, { id, name, locale: 'en', timeZone: 'UTC', currency: 'EUR' })
  await addMember(db, id, ownerId, 'owner')
  await addReadyFiles(db, files.media, id, files.readShippedFile)
  return id
}
