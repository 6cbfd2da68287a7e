import type { Role } from '../../contract/views.ts'
import type { Database } from '../db/handle.ts'
import { countOwners, findRole, lockMembers, removeMember, setRole } from '../db/queries/members.ts'
import { problemError } from '../system/problemError.ts'

const lastOwner = () =>
  problemError(409, 'Somebody has to own the channel: make another member an owner first, then this can be done.')

/**
 * Changes what a member may do, or takes them out (`null`): all of it, or none.
 * @throws 404 for nobody of this channel, 409 where nobody would own it
 */
export async function changeMembership(
  db: Database,
  channelId: string,
  personId: string,
  role: Role | null,
): Promise<void> {
  await db.transaction(async (tx) => {
    await lockMembers(tx, channelId)
    const now = await findRole(tx, channelId, personId)
    if (now === null) throw problemError(404, 'There is no such person in this channel.')
    if (now === 'owner' && role !== 'owner' && (await countOwners(tx, channelId)) === 1) throw lastOwner()
    if (role === null) await removeMember(tx, channelId, personId)
    else await setRole(tx, channelId, personId, role)
  })
}
