import { plainBoard } from '../../core/board/plainBoard.ts'
import type { Composition } from '../../core/composition/schema.ts'
import { neededMedia, versionOf, type Manifest } from '../../core/pack/manifest.ts'
import { manifestOf } from '../../core/pack/manifestOf.ts'
import { packTriggers, triggersOfBox } from '../../core/pack/packedTriggers.ts'
import { ownFamilies } from '../../core/pack/familiesOf.ts'
import { factsOf } from '../../contract/mediaFacts.ts'
import type { BoxRow } from '../db/queries/boxes.ts'
import { listPlayableMedia } from '../db/queries/media.ts'
import { listTriggers } from '../db/queries/triggers.ts'
import type { Database } from '../db/handle.ts'
import { packsOf } from './shelf.ts'

/**
 * A box's draft as a pack, with every file that it needs, and with what viewers can set off in it.
 * @param without triggers that stay here
 * @param board what goes along of a board, see `packedBoard`
 * @returns null where a file that it needs is gone
 */
export async function packOf(
  db: Database,
  box: BoxRow,
  author: string,
  without: readonly string[] = [],
  board: Composition | null = null,
): Promise<Manifest | null> {
  const packs = await packsOf(db, box.channelId, box.draft.packs)
  const along = triggersOfBox(await listTriggers(db, box.channelId), box.id).filter(({ id }) => !without.includes(id))
  const bare = manifestOf(box.draft, box.name, author, [], packs, packTriggers(along, box.id))
  const rows = new Map((await listPlayableMedia(db, box.channelId)).map((row) => [row.id, row]))
  const scenes = board ? plainBoard(bare.box.canvas, bare.box.look, board.parts).alerts : []
  const families = new Set(ownFamilies({ ...bare.box, alerts: [...bare.box.alerts, ...scenes] }, bare.dials))
  const fonts = [...rows.values()]
    .filter((row) => row.deletedAt === null && families.has(factsOf(row).family ?? ''))
    .map(({ id }) => id)
  const needed = [
    ...new Set([...neededMedia(bare.box, bare.dials, bare.triggers, board ?? undefined), ...fonts]),
  ].sort()
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
  if (media.length < needed.length) return null
  return board ? { ...bare, media, board, version: versionOf({ ...bare, board }) } : { ...bare, media }
}
