import { neededMedia, type Manifest } from '../../core/pack/manifest.ts'
import { manifestOf } from '../../core/pack/manifestOf.ts'
import { ownFamilies } from '../../core/pack/familiesOf.ts'
import { factsOf } from '../../contract/mediaFacts.ts'
import type { BoxRow } from '../db/queries/boxes.ts'
import { listPlayableMedia } from '../db/queries/media.ts'
import type { Database } from '../db/handle.ts'
import { packsOf } from './shelf.ts'

/** A box's draft as a pack, with every file that it needs. @returns null where a file that it needs is gone */
export async function packOf(db: Database, box: BoxRow, author: string): Promise<Manifest | null> {
  const packs = await packsOf(db, box.channelId, box.draft.packs)
  const bare = manifestOf(box.draft, box.name, author, [], packs)
  const rows = new Map((await listPlayableMedia(db, box.channelId)).map((row) => [row.id, row]))
  const families = new Set(ownFamilies(bare.box, bare.dials))
  const fonts = [...rows.values()]
    .filter((row) => row.deletedAt === null && families.has(factsOf(row).family ?? ''))
    .map(({ id }) => id)
  const needed = [...new Set([...neededMedia(bare.box, bare.dials), ...fonts])].sort()
  const packed = new Map([...packs.values()].flatMap(({ media }) => media.map((file) => [file.id, file] as const)))
  const media = needed.flatMap((id) => {
    const row = rows.get(id)
    // A file of a pack is handed on under the name that it came with.
    return row
      ? [
          packed.get(id) ?? {
            id,
            file: `media/${id}`,
            name: row.name,
            kind: row.kind,
            mime: row.mime,
            sizeBytes: row.sizeBytes,
            licence: row.licence,
          },
        ]
      : []
  })
  return media.length < needed.length ? null : { ...bare, media }
}
