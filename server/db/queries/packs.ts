import { and, asc, count, desc, eq, inArray } from 'drizzle-orm'
import { boxVersion } from '../../../core/composition/box.ts'
import { manifestVersion, readManifest, type Manifest } from '../../../core/pack/manifest.ts'
import type { Database } from '../handle.ts'
import { media, pack } from '../schema.ts'

export type PackRow = typeof pack.$inferSelect

/** Under this instead of a channel stand the packs that ship with the product. */
export const galleryChannel = 'gallery'

/**
 * Manifests are read through their migrations: what an earlier version stored loads as today's. One of today was
 * checked when it came, and is large: it is not checked again. @throws for one that is newer than this program
 */
function modern(row: PackRow): PackRow {
  if (row.manifest.version === manifestVersion && row.manifest.box.version === boxVersion) return row
  const read = readManifest(JSON.stringify(row.manifest))
  if (!read.ok) throw new Error(`The pack ${row.id} cannot be read: ${read.error}`)
  return { ...row, manifest: read.value }
}

/** What a channel can take: its own packs, and those that ship; without what they hold. */
export async function listPackIds(db: Database, channelId: string): Promise<string[]> {
  return (
    await db
      .select({ id: pack.id })
      .from(pack)
      .where(inArray(pack.channelId, [channelId, galleryChannel]))
      .orderBy(desc(pack.addedAt), asc(pack.id))
  ).map(({ id }) => id)
}

export async function countPacks(db: Database, channelId: string): Promise<number> {
  const [row] = await db.select({ count: count() }).from(pack).where(eq(pack.channelId, channelId))
  return row?.count ?? 0
}

/** A pack that this channel can take. */
export async function findPack(db: Database, channelId: string, id: string): Promise<PackRow | null> {
  const [row] = await db
    .select()
    .from(pack)
    .where(and(eq(pack.id, id), inArray(pack.channelId, [channelId, galleryChannel])))
    .limit(1)
  return row ? modern(row) : null
}

/** The same pack, where it is on the shelf already. */
export async function findPackByDigest(db: Database, channelId: string, digest: string): Promise<PackRow | null> {
  const [row] = await db
    .select()
    .from(pack)
    .where(and(eq(pack.channelId, channelId), eq(pack.digest, digest)))
    .limit(1)
  return row ? modern(row) : null
}

/** Puts a pack on the shelf with its files, all of it or nothing. */
export async function addPack(
  db: Database,
  row: { id: string; channelId: string; manifest: Manifest; digest: string },
  files: Omit<typeof media.$inferInsert, 'channelId'>[],
): Promise<void> {
  await db.transaction(async (tx) => {
    if (files.length > 0)
      await tx
        .insert(media)
        .values(files.map((file) => ({ ...file, channelId: row.id })))
        .onConflictDoNothing()
    await tx.insert(pack).values({ ...row, packId: row.manifest.id, release: row.manifest.release })
  })
}

export async function removePackRow(db: Database, id: string): Promise<void> {
  await db.delete(pack).where(eq(pack.id, id))
}
