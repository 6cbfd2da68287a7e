import { defineEventHandler, getValidatedQuery } from 'h3'
import { olderQuery, type OlderView } from '../../../../contract/keeping.ts'
import { requireMember } from '../../../auth/access.ts'
import { useDatabase } from '../../../db/port.ts'
import { countOldEvents, countOldVersions } from '../../../db/queries/keeping.ts'
import { keptSince } from '../../../keeping/keeper.ts'
import { problemError } from '../../../system/problemError.ts'

/** What would go at once if history and versions were kept only so long. */
export default defineEventHandler(async (event): Promise<OlderView> => {
  const { channel } = await requireMember(event, 'owner')
  const asked = await getValidatedQuery(event, olderQuery.safeParse)
  if (!asked.success) throw problemError(422, 'Things are kept for 30 to 3650 days.')
  const { historyDays = null, versionDays = null } = asked.data
  const { database } = await useDatabase()
  const now = Date.now()
  const [events, versions] = [keptSince(historyDays, now), keptSince(versionDays, now)]
  return {
    events: events ? await countOldEvents(database.db, channel.id, events) : 0,
    versions: versions ? await countOldVersions(database.db, channel.id, versions) : 0,
  }
})
