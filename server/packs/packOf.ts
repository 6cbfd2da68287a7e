import { manifestVersion, neededMedia, type Manifest } from '../../core/pack/manifest.ts'
import type { BoxRow } from '../db/queries/boxes.ts'
import { listPlayableMedia } from '../db/queries/media.ts'
import type { Database } from '../db/handle.ts'

/** A box's draft as a pack, with every file that it needs. @returns null where a file that it needs is gone */
export async function packOf(db: Database, box: BoxRow, author: string): Promise<Manifest | null> {
  const rows = new Map((await listPlayableMedia(db, box.channelId)).map((row) => [row.id, row]))
  const needed = neededMedia(box.draft)
  const media = needed.flatMap((id) => {
    const row = rows.get(id)
    return row ? [{ id, file: `media/${id}`, name: row.name, kind: row.kind, mime: row.mime, sizeBytes: row.sizeBytes, licence: row.licence }] : []
  })
  if (media.length < needed.length) return null
  const slug = box.name.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '').slice(0, 50)
  return { format: 'thundercrest.pack', version: manifestVersion, id: slug.length >= 3 ? slug : `pack-${slug || 'box'}`, release: '1.0.0', name: box.name, author, licence: '', about: '', box: box.draft, media, dials: [] }
}
