import { defineEventHandler, setResponseStatus } from 'h3'
import { newChannelBody } from '../../../contract/people.ts'
import { requireMember, sessionIdIn } from '../../auth/access.ts'
import { makeChannel } from '../../channel/makeChannel.ts'
import { useDatabase } from '../../db/port.ts'
import { listChannelsOf, setSessionChannel } from '../../db/queries/members.ts'
import { readChecked } from '../../http/readChecked.ts'
import { useMedia } from '../../media/port.ts'
import { usePacks } from '../../packs/port.ts'
import { problemError } from '../../system/problemError.ts'

const most = 20

/** Begins another channel, which is its own in everything, and works there from now on. For whoever owns one here. */
export default defineEventHandler(async (event) => {
  const { person } = await requireMember(event, 'owner')
  const { name } = await readChecked(event, newChannelBody)
  const [{ database }, { media }, { readShippedFile }] = await Promise.all([useDatabase(), useMedia(), usePacks()])
  if ((await listChannelsOf(database.db, person.id)).length >= most)
    throw problemError(409, `One person belongs to at most ${most} channels.`)
  const id = await database.db.transaction((tx) => makeChannel(tx, { media, readShippedFile }, name, person.id))
  const sessionId = await sessionIdIn(event)
  if (sessionId) await setSessionChannel(database.db, sessionId, id)
  setResponseStatus(event, 201)
  return { id }
})
