import { defineEventHandler } from 'h3'
import type { LinkingView } from '../../../../contract/linking.ts'
import { requireMember } from '../../../auth/access.ts'
import { findLinking } from '../../../db/queries/linkings.ts'
import { pathId } from '../../../http/pathId.ts'
import { problemError } from '../../../system/problemError.ts'
import { useDatabase } from '../../../db/port.ts'

/** What became of a code. */
export default defineEventHandler(async (event): Promise<LinkingView> => {
  const { channel } = await requireMember(event, 'owner')
  const { database } = await useDatabase()
  const found = await findLinking(database.db, pathId(event, 'id'))
  if (!found || found.channelId !== channel.id) throw problemError(404, 'There is no such code. Ask for a new one.')
  const unlinked = found.expiresAt.getTime() <= Date.now() ? 'expired' : 'waiting'
  return {
    state: found.feedId ? 'linked' : unlinked,
    feedId: found.feedId,
  }
})
