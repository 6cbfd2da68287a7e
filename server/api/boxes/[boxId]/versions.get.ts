import { defineEventHandler } from 'h3'
import type { VersionView } from '../../../../contract/views.ts'
import { requireBox } from '../../../auth/access.ts'
import { listVersions } from '../../../db/queries/boxes.ts'
import { pathId } from '../../../http/pathId.ts'
import { useDatabase } from '../../../db/port.ts'

const versionsMax = 100

/** What was on air before, newest first. */
export default defineEventHandler(async (event): Promise<{ versions: VersionView[] }> => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  const { database } = await useDatabase()
  const versions = await listVersions(database.db, box.id, versionsMax)
  return { versions: versions.map(({ publishedAt, ...rest }) => ({ ...rest, publishedAtMs: publishedAt.getTime() })) }
})
