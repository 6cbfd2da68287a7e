import type { Database } from '../db/handle.ts'
import { listChannelsOf } from '../db/queries/members.ts'
import { problemError } from '../system/problemError.ts'

/** The channel that somebody works in first. @throws 403 for somebody who belongs to no channel any more, with what to do */
export async function requireAnyChannel(db: Database, personId: string): Promise<string> {
  const [first] = await listChannelsOf(db, personId)
  if (!first)
    throw problemError(
      403,
      'You belong to no channel any more. Ask for an invitation: its link lets you in with this account.',
    )
  return first.id
}
