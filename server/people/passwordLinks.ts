import { createHash } from 'node:crypto'
import type { Database } from '../db/handle.ts'
import { addPasswordLink, findPasswordLink } from '../db/queries/passwordLinks.ts'
import { newSecret } from '../system/ids.ts'
import { problemError } from '../system/problemError.ts'

const lastsMs = 86_400_000

/** What a link is kept by: reading the table lets nobody in. */
export const passwordLinkIdOf = (secret: string): string =>
  createHash('sha256').update(`password ${secret}`).digest('hex')

/** A link by which a person sets a password, once, within a day. @returns its path: it is told once */
export async function makePasswordLink(db: Database, personId: string): Promise<string> {
  const secret = newSecret()
  await addPasswordLink(db, {
    ...{ id: passwordLinkIdOf(secret), personId },
    expiresAt: new Date(Date.now() + lastsMs),
  })
  return `/password/${secret}`
}

/**
 * A link that can still be used, with whom it is for.
 * @throws 404 for one that never was, 410 for one that was used or whose time is over
 */
export async function openPasswordLink(db: Database, id: string) {
  const found = await findPasswordLink(db, id)
  if (!found) throw problemError(404, 'There is no such link. Ask whoever runs the server for a new one.')
  if (found.usedAt) throw problemError(410, 'This link has been used. Sign in, or ask for a new one.')
  if (found.expiresAt.getTime() <= Date.now())
    throw problemError(410, 'This link has ended: it works for a day. Ask for a new one.')
  return found
}
