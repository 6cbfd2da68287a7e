import type { ArrivedPack } from '../../contract/packs.ts'
import { replaceMedia } from '../../core/library/mediaUses.ts'
import type { Dial } from '../../core/pack/dial.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import { err, ok, type Result } from '../../core/result.ts'
import { findMedia } from '../db/queries/media.ts'
import { addPack, countPacks, findPackByDigest } from '../db/queries/packs.ts'
import type { PackedColumns } from '../media/library.ts'
import { newId } from '../system/ids.ts'
import { useServices } from '../system/services.ts'
import { packDigest } from './packDigest.ts'
import { packLimits } from './packLimits.ts'
import { openPack, type OpenPack } from './readPack.ts'

interface Admitted {
  packedId: string
  name: string
  licence: string
  columns: PackedColumns
}

/**
 * Puts a pack on a channel's shelf: every file is measured at the same door as files that are dropped, then all of them
 * and the design are added. All of it, or nothing: where one file is refused, what was stored for the others goes
 * again.
 */
export async function importPack(channelId: string, path: string): Promise<Result<ArrivedPack, string>> {
  const { database } = await useServices()
  const opened = await openPack(path)
  if (!opened.ok) return opened
  const pack = opened.value
  const digest = packDigest(pack.manifest)
  const { name } = pack.manifest
  const admitted: Admitted[] = []
  try {
    const known = await findPackByDigest(database.db, channelId, digest)
    if (known) return ok({ shelfId: known.id, name, isKnown: true, leftAside: pack.leftAside })
    if ((await countPacks(database.db, channelId)) >= packLimits.perChannel)
      return err(`A shelf holds at most ${packLimits.perChannel} packs. Take some off that no box has.`)
    const refusal = await admitAll(pack, admitted)
    if (refusal) {
      await forget(admitted)
      return err(refusal)
    }
    const shelfId = newId('pack')
    const files = admitted.map(({ name, licence, columns }) => ({ ...columns, name, licence, tags: ['pack'] }))
    await addPack(
      database.db,
      { id: shelfId, channelId, digest, manifest: readdressed(pack.manifest, admitted) },
      files,
    )
    return ok({ shelfId, name, isKnown: false, leftAside: pack.leftAside })
  } finally {
    pack.close()
  }
}

/** What the door made smaller or otherwise has another address here. */
function readdressed(manifest: Manifest, admitted: readonly Admitted[]): Manifest {
  let { box } = manifest
  const addresses = new Map(admitted.map(({ packedId, columns }) => [packedId, columns.id]))
  const here = (id: string) => addresses.get(id) ?? id
  for (const [from, to] of addresses) if (from !== to) box = replaceMedia(box, from, to, null).document
  const dials = manifest.dials.map((dial): Dial =>
    dial.kind === 'picture' || dial.kind === 'sound' ? { ...dial, initial: here(dial.initial) } : dial,
  )
  for (const dial of dials)
    for (const { transform } of dial.bindings)
      if (transform.as === 'choose')
        for (const [choice, value] of Object.entries(transform.of))
          if (typeof value === 'string') transform.of[choice] = here(value)
  const media = manifest.media.map((file) => {
    const columns = admitted.find(({ packedId }) => packedId === file.id)?.columns
    return columns
      ? { ...file, id: columns.id, file: `media/${columns.id}`, mime: columns.mime, sizeBytes: columns.sizeBytes }
      : file
  })
  return { ...manifest, box, dials, media }
}

/** Measures and stores a pack's files one by one. @returns why the first that is not taken is refused */
async function admitAll(pack: OpenPack, admitted: Admitted[]): Promise<string | null> {
  const { library } = await useServices()
  for (const media of pack.manifest.media) {
    const bytes = await pack
      .read(media)
      .catch((error: unknown) => (error instanceof Error ? error : new Error('it cannot be read')))
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
    for (const id of [columns.id, columns.posterId, columns.stripId])
      if (id !== null && !(await findMedia(database.db, id))) await media.remove(id)
  }
}
