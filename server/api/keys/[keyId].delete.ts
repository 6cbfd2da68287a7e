import { defineEventHandler, setResponseStatus } from 'h3'
import { requireMember } from '../../auth/access.ts'
import { noteDeed } from '../../channel/trail.ts'
import { useDatabase } from '../../db/port.ts'
import { removeKey } from '../../db/queries/keys.ts'
import { pathId } from '../../http/pathId.ts'
import { problemError } from '../../system/problemError.ts'

/** Ends a key at once: the next request with it is refused. */
export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'owner')
  const { database } = await useDatabase()
  const gone = await removeKey(database.db, session.channel.id, pathId(event, 'keyId'))
  if (!gone) throw problemError(404, 'There is no such key: it may have been ended by somebody else.')
  await noteDeed(session, 'endedKey', gone.name)
  setResponseStatus(event, 204)
  return null
})
