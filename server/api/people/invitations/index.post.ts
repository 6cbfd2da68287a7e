import { defineEventHandler, getRequestURL, setResponseStatus } from 'h3'
import { invitationBody, type MadeInvitation } from '../../../../contract/people.ts'
import { addInvitation, listInvitations } from '../../../db/queries/members.ts'
import { ownOrigin } from '../../../http/ownOrigin.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { invitationIdOf, invitationView, withPeople } from '../../../people/surroundings.ts'
import { newSecret } from '../../../system/ids.ts'
import { problemError } from '../../../system/problemError.ts'
import { useRuntime } from '../../../system/runtimePort.ts'
import { noteDeed } from '../../../channel/trail.ts'

const lastsMs = 7 * 86_400_000
/** More than so many are open at no time. */
const openMost = 50

/** Makes an invitation. Its link is told once; it works once, and for a week. */
export default defineEventHandler(async (event): Promise<MadeInvitation> => {
  const { db, session } = await withPeople(event, 'owner')
  const { role, note } = await readChecked(event, invitationBody)
  const { config } = await useRuntime()
  const { channel, person } = session
  if ((await listInvitations(db, channel.id)).length >= openMost)
    throw problemError(409, `At most ${openMost} invitations are open at once. Take one back first.`)
  const secret = newSecret()
  const madeAt = new Date()
  const row = {
    ...{ id: invitationIdOf(secret), channelId: channel.id, role, note, madeBy: person.id, madeAt },
    expiresAt: new Date(madeAt.getTime() + lastsMs),
  }
  await addInvitation(db, row)
  await noteDeed(session, 'invited', note || 'somebody', `as ${role}`)
  setResponseStatus(event, 201)
  return {
    invitation: invitationView({ ...row, madeByName: person.name }),
    url: `${ownOrigin(config, getRequestURL(event))}/join/${secret}`,
  }
})
