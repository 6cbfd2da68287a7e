import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { ArrivedPack } from '../../contract/packs.ts'
import { replaceMedia } from '../../core/library/mediaUses.ts'
import type { Dial } from '../../core/pack/dial.ts'
import { withSounds } from '../../core/pack/packedTriggers.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import { err, ok, type Result } from '../../core/result.ts'
import { addPack, countPacks, findPackByDigest } from '../db/queries/packs.ts'
import type { PackedColumns } from '../media/library.ts'
import { newId } from '../system/ids.ts'
import { useDatabase } from '../db/port.ts'
import { useMedia } from '../media/port.ts'
import { Turns } from '../../core/turns.ts'
import { packDigest } from './packDigest.ts'
import { packLimits } from './packLimits.ts'

interface Admitted {
  packedId: string
  name: string
  licence: string
  columns: PackedColumns
}

/** Packs of a channel are brought one after another: two of the same are then one. */
const lines = new Map<string, Turns>()

/**
 * Puts a pack on a channel's shelf: it is looked through in the process that measures, every file is measured at the same door
 * as files that are dropped, then all of them and the design are added. All of it, or nothing: where one file is refused, or
 * anything breaks, what was stored for the others goes again, unless somebody else has it.
 */
export function importPack(channelId: string, path: string): Promise<Result<ArrivedPack, string>> {
  const line = lines.get(channelId) ?? new Turns()
  lines.set(channelId, line)
  return line.take(() => importNow(channelId, path))
}

async function importNow(channelId: string, path: string): Promise<Result<ArrivedPack, string>> {
  const { database } = await useDatabase()
  const { measurer, held } = await useMedia()
  const into = `${path}.files`
  const admitted: Admitted[] = []
  try {
    const unpacked = await measurer.unpack(path, into)
    if (!unpacked.ok) return unpacked
    const { manifest, leftAside } = unpacked.value
    const { name } = manifest
    const digest = packDigest(manifest)
    const known = await findPackByDigest(database.db, channelId, digest)
    if (known) return ok({ shelfId: known.id, name, isKnown: true, leftAside })
    if ((await countPacks(database.db, channelId)) >= packLimits.perChannel)
      return err(`A shelf holds at most ${packLimits.perChannel} packs. Take some off that no box has.`)
    const refusal = await admitAll(manifest, into, admitted)
    if (refusal) return err(refusal)
    const shelfId = newId('pack')
    const files = admitted.map(({ name: called, licence, columns }) => ({
      ...columns,
      name: called,
      licence,
      tags: ['pack'],
    }))
    await addPack(database.db, { id: shelfId, channelId, digest, manifest: readdressed(manifest, admitted) }, files)
    return ok({ shelfId, name, isKnown: false, leftAside })
  } finally {
    await held.release(admitted.flatMap(({ columns }) => [columns.id, columns.posterId, columns.stripId]))
    await rm(into, { recursive: true, force: true })
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
  const triggers = manifest.triggers ? { triggers: withSounds(manifest.triggers, here) } : {}
  return { ...manifest, box, dials, media, ...triggers }
}

/** Measures and stores a pack's files one by one. @returns why the first that is not taken is refused */
async function admitAll(manifest: Manifest, folder: string, admitted: Admitted[]): Promise<string | null> {
  const { library } = await useMedia()
  for (const media of manifest.media) {
    const stored = await library.storeForPack(join(folder, media.id))
    if (!stored.ok) return `“${media.name}” was not taken, and with it nothing of the pack: ${stored.error}`
    admitted.push({ packedId: media.id, name: media.name, licence: media.licence || 'unknown', columns: stored.value })
  }
  return null
}
