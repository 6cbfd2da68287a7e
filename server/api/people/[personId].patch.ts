import { defineEventHandler } from 'h3'
import { findPerson } from '../../db/queries/members.ts'
import { memberBody, roleName, type PeopleView } from '../../../contract/people.ts'
import { pathId } from '../../http/pathId.ts'
import { readChecked } from '../../http/readChecked.ts'
import { readSession } from '../../auth/access.ts'
import { changeMembership } from '../../people/membership.ts'
import { peopleView, withPeople } from '../../people/surroundings.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Gives a member another role. It takes effect at once, on screens that are open, too. */
export default defineEventHandler(async (event): Promise<PeopleView> => {
  const { db, session, retell } = await withPeople(event, 'owner')
  const personId = pathId(event, 'personId')
  const { role } = await readChecked(event, memberBody)
  await changeMembership(db, session.channel.id, personId, role)
  await noteDeed(session, 'gaveRole', (await findPerson(db, personId))?.name, `now ${roleName(role)}`)
  await retell(personId)
  // Whoever has lowered themselves sees what they may see now.
  return peopleView(db, (await readSession(event)) ?? session)
})
