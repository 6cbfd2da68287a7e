import type { BoxDocument } from '../../core/composition/box.ts'
import { replaceMedia } from '../../core/library/mediaUses.ts'
import { err, ok, type Result } from '../../core/result.ts'
import { checkRoomForBox, createBoxOf } from '../boxes/createBox.ts'
import { addMedia, findMedia } from '../db/queries/media.ts'
import type { PackedColumns } from '../media/library.ts'
import { useServices } from '../system/services.ts'
import { openPack, type OpenPack } from './readPack.ts'

/** What became of a pack. */
export interface ImportedPack {
  boxId: string
  name: string
  /** Entries that its manifest does not name. */
  leftAside: string[]
}

interface Admitted {
  packedId: string
  name: string
  licence: string
  columns: PackedColumns
}

/**
 * Takes a pack into a channel: every file is measured at the same door as files that are dropped, then all of them and a box made
 * of the design are added. All of it, or nothing: where one file is refused, what was stored for the others goes again.
 */
export async function importPack(channelId: string, path: string): Promise<Result<ImportedPack, string>> {
  const { database, onAir, library } = await useServices()
  // Before anything is stored for it.
  await checkRoomForBox(channelId)
  const opened = await openPack(path)
  if (!opened.ok) return opened
  const pack = opened.value
  const admitted: Admitted[] = []
  try {
    const refusal = await admitAll(pack, admitted)
    if (refusal) {
      await forget(admitted)
      return err(refusal)
    }
    let document: BoxDocument = pack.manifest.box
    await database.db.transaction(async (tx) => {
      for (const { name, licence, columns } of admitted) await addMedia(tx, { ...columns, channelId, name, licence, tags: ['pack'] })
    })
    // What the door made smaller or otherwise has another address here.
    for (const { packedId, columns } of admitted) if (packedId !== columns.id) document = replaceMedia(document, packedId, columns.id, null).document
    onAir.forget(channelId)
    library.changed(channelId)
    return ok({ boxId: await createBoxOf(channelId, pack.manifest.name, document), name: pack.manifest.name, leftAside: pack.leftAside })
  } finally {
    pack.close()
  }
}

/** Measures and stores a pack's files one by one. @returns why the first that is not taken is refused */
async function admitAll(pack: OpenPack, admitted: Admitted[]): Promise<string | null> {
  const { library } = await useServices()
  for (const media of pack.manifest.media) {
    const bytes = await pack.read(media).catch((error: unknown) => (error instanceof Error ? error : new Error('it cannot be read')))
    if (bytes instanceof Error) return bytes.message
    const stored = await library.storeForPack(bytes)
    if (!stored.ok) return `“${media.name}” was not taken, and with it nothing of the pack: ${stored.error}`
    admitted.push({ packedId: media.id, name: media.name, licence: media.licence || 'unknown', columns: stored.value })
  }
  return null
}

/** Files that were stored for a pack which is not taken, unless some library has them anyway. */
async function forget(admitted: readonly Admitted[]): Promise<void> {
  const { database, media } = await useServices()
  for (const { columns } of admitted) {
    if (await findMedia(database.db, columns.id)) continue
    for (const id of [columns.id, columns.posterId, columns.stripId]) if (id !== null && !(await findMedia(database.db, id))) await media.remove(id)
  }
}
