import { replaceMedia } from '../../core/library/mediaUses.ts'
import { listBoxes, saveDraft } from '../db/queries/boxes.ts'
import type { Database } from '../db/handle.ts'

/** At which places of which boxes a file was replaced. */
export type ReplacedPlaces = Record<string, string[]>

const tries = 3

/**
 * Puts one file in another's place in the drafts of a channel's boxes, or only at the given places. What is on air
 * stays as it is until it is put on air again.
 * @throws when a draft is saved by somebody else again and again in between
 */
export async function replaceEverywhere(
  db: Database,
  channelId: string,
  from: string,
  to: string,
  only: ReplacedPlaces | null,
): Promise<ReplacedPlaces> {
  const replaced: ReplacedPlaces = {}
  for (let attempt = 0; attempt < tries; attempt++) {
    let isDone = true
    for (const box of await listBoxes(db, channelId)) {
      if (replaced[box.id] || (only && !only[box.id])) continue
      const { document, places } = replaceMedia(box.draft, from, to, only ? (only[box.id] ?? []) : null)
      if (places.length === 0) continue
      if (await saveDraft(db, box.id, box.draftRevision, document)) replaced[box.id] = places
      else isDone = false
    }
    if (isDone) return replaced
  }
  throw new Error('replaceEverywhere: a draft changes faster than it can be saved')
}
