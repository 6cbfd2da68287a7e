import type { PackShelfView, PackSummary, PackView } from '../../contract/packs.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import { listBoxes } from '../db/queries/boxes.ts'
import type { Database } from '../db/handle.ts'
import { addMedia, forgetMedia, listPlayableMedia } from '../db/queries/media.ts'
import { findPack, galleryChannel, listPackIds, removePackRow, type PackRow } from '../db/queries/packs.ts'
import { mediaView } from '../media/mediaViews.ts'
import { problemError } from '../system/problemError.ts'
import { useMedia } from '../media/port.ts'
import { useChannels } from '../channel/port.ts'
import { useDatabase } from '../db/port.ts'

/** What a shelf shows of a pack before it is opened: so many of its alerts, moving. */
const coverAlerts = 3

const originOf = (row: PackRow) => (row.channelId === galleryChannel ? ('gallery' as const) : ('imported' as const))

/** Who of a channel's boxes has taken a pack: their names. */
async function usersOf(db: Database, channelId: string): Promise<Map<string, string[]>> {
  const users = new Map<string, string[]>()
  for (const { name, draft } of await listBoxes(db, channelId))
    for (const { shelfId } of draft.packs) users.set(shelfId, [...(users.get(shelfId) ?? []), name])
  return users
}

type Summary = Omit<PackSummary, 'usedBy'>

/** What was made of packs for shelves: a pack never changes, and each holds some hundred kilobytes. */
const summaries = new Map<string, Summary>()
const summariesKept = 500

async function summaryOf(db: Database, channelId: string, shelfId: string): Promise<Summary | null> {
  const known = summaries.get(shelfId)
  if (known) return known
  const row = await findPack(db, channelId, shelfId)
  if (!row) return null
  const { id, release, name, author, licence, about, box, dials, triggers } = row.manifest
  const cover = { ...box, alerts: box.alerts.slice(0, coverAlerts) }
  const shown = JSON.stringify(cover)
  const media = (await listPlayableMedia(db, row.id)).filter((file) => shown.includes(file.id)).map(mediaView)
  const summary: Summary = {
    shelfId,
    origin: originOf(row),
    addedAtMs: row.addedAt.getTime(),
    id,
    release,
    name,
    author,
    licence,
    about,
    dialCount: dials.length,
    triggerNames: (triggers ?? []).map((each) => each.name),
    kinds: box.alerts.flatMap(({ kinds }) => kinds),
    caseCount: box.alerts.reduce((sum, { variations }) => sum + variations.length, 0),
    cover,
    media,
  }
  if (summaries.size >= summariesKept) summaries.clear()
  summaries.set(shelfId, summary)
  return summary
}

/** The shelf of a channel: of each pack all releases, the newest first. */
export async function packShelf(db: Database, channelId: string): Promise<PackShelfView> {
  const users = await usersOf(db, channelId)
  const packs: PackSummary[] = []
  for (const shelfId of await listPackIds(db, channelId)) {
    const summary = await summaryOf(db, channelId, shelfId)
    if (summary) packs.push({ ...summary, usedBy: users.get(shelfId) ?? [] })
  }
  return { packs }
}

/** All of one pack. */
export async function packView(db: Database, row: PackRow): Promise<PackView> {
  return {
    shelfId: row.id,
    origin: originOf(row),
    manifest: row.manifest,
    media: (await listPlayableMedia(db, row.id)).map(mediaView),
  }
}

/** @throws 404 as a problem document */
export async function ownPack(channelId: string, id: string): Promise<PackRow> {
  const { database } = await useDatabase()
  const row = await findPack(database.db, channelId, id)
  if (!row) throw problemError(404, 'There is no such pack on this channel’s shelf.')
  return row
}

/** The designs that a box has taken, by their shelf ids. */
export async function packsOf(
  db: Database,
  channelId: string,
  taken: readonly { shelfId: string }[],
): Promise<Map<string, Manifest>> {
  const packs = new Map<string, Manifest>()
  for (const { shelfId } of taken) {
    const row = await findPack(db, channelId, shelfId)
    if (row) packs.set(shelfId, row.manifest)
  }
  return packs
}

/** Puts a pack's files into a channel's library. What is there already stays as it is there. */
export async function takeFiles(channelId: string, row: PackRow): Promise<void> {
  const { database } = await useDatabase()
  const { library } = await useMedia()
  const { onAir } = await useChannels()
  await database.db.transaction(async (tx) => {
    for (const file of await listPlayableMedia(tx, row.id))
      await addMedia(tx, {
        ...file,
        channelId,
        tags: ['pack', row.manifest.name.slice(0, 30).toLowerCase()],
        addedAt: new Date(),
        ...(file.posterId || file.kind === 'sound' ? {} : { measuredBy: 0 }),
      })
  })
  onAir.forget(channelId)
  library.changed(channelId)
  // Sets that ship were measured by the build, without the small pictures that a library shows.
  library.wake()
}

/**
 * Takes a pack off the shelf, with files that nobody else has.
 * @throws 409 while boxes have it, 403 for one that ships
 */
export async function takeOffShelf(channelId: string, row: PackRow): Promise<void> {
  if (originOf(row) === 'gallery') throw problemError(403, 'This set comes with Thundercrest and stays on the shelf.')
  const { database } = await useDatabase()
  const { held } = await useMedia()
  const boxes = (await usersOf(database.db, channelId)).get(row.id) ?? []
  if (boxes.length > 0)
    throw problemError(
      409,
      `${boxes.map((name) => `“${name}”`).join(', ')} ${boxes.length === 1 ? 'has' : 'have'} taken it: its dials turn there. Remove it from there first, or let go of its dials.`,
    )
  await removePackRow(database.db, row.id)
  summaries.delete(row.id)
  for (const file of await listPlayableMedia(database.db, row.id))
    await held.removeUnused(await forgetMedia(database.db, file))
}
