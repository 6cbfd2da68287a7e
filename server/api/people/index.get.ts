import { defineEventHandler } from 'h3'
import type { PeopleView } from '../../../contract/people.ts'
import { peopleView, withPeople } from '../../people/surroundings.ts'

/** Who belongs to the channel; owners also see who is invited. */
export default defineEventHandler(async (event): Promise<PeopleView> => {
  const { db, session } = await withPeople(event, 'moderator')
  return peopleView(db, session)
})
