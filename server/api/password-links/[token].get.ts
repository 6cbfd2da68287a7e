import { defineEventHandler } from 'h3'
import type { OpenedPasswordLink } from '../../../contract/people.ts'
import { useDatabase } from '../../db/port.ts'
import { pathId } from '../../http/pathId.ts'
import { openPasswordLink, passwordLinkIdOf } from '../../people/passwordLinks.ts'

/** Whose password a link sets, for whoever has it. */
export default defineEventHandler(async (event): Promise<OpenedPasswordLink> => {
  const { database } = await useDatabase()
  const { name, email } = await openPasswordLink(database.db, passwordLinkIdOf(pathId(event, 'token')))
  return { name, email }
})
