import { createHash } from 'node:crypto'
import type { AccountView } from '../../contract/people.ts'
import type { SessionView } from '../../contract/views.ts'
import { passkeyView } from '../auth/passkeys.ts'
import type { Database } from '../db/handle.ts'
import { listPasskeys } from '../db/queries/passkeys.ts'
import { findPerson, listChannelsOf, listSessions } from '../db/queries/members.ts'

/** What the page calls a session: what it is kept by stays here. */
export const browserIdOf = (sessionId: string): string =>
  createHash('sha256').update(`browser ${sessionId}`).digest('hex').slice(0, 40)

/** Somebody's own account, as they see it. */
export async function accountView(
  db: Database,
  { person, channel }: SessionView,
  sessionId: string,
): Promise<AccountView> {
  const [known, channels, sessions, passkeys] = await Promise.all([
    findPerson(db, person.id),
    listChannelsOf(db, person.id),
    listSessions(db, person.id),
    listPasskeys(db, person.id),
  ])
  return {
    ...{ name: known?.name ?? person.name, email: known?.email ?? '' },
    passkeys: passkeys.map(passkeyView),
    channels: channels.map((each) => ({ ...each, isHere: each.id === channel.id })),
    sessions: sessions.map(({ id, browser, madeAt, seenAt }) => ({
      ...{ id: browserIdOf(id), browser, isThis: id === sessionId },
      madeAtMs: madeAt.getTime(),
      seenAtMs: seenAt.getTime(),
    })),
  }
}
