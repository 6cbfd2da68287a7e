import { defineEventHandler } from 'h3'
import { requireMember } from '../../auth/access.ts'
import { sendBackup } from '../../backup/sendBackup.ts'

/** A backup of the member's channel, as one file. */
export default defineEventHandler(async (event) => {
  const { channel, person } = await requireMember(event, 'owner')
  return sendBackup(event, channel, person.name)
})
