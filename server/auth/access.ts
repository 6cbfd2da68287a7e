import { getHeader, type H3Event } from 'h3'
import type { Scope } from '../../contract/keys.ts'
import { roleName } from '../../contract/people.ts'
import type { Role, SessionView } from '../../contract/views.ts'
import { findBox, type BoxRow } from '../db/queries/boxes.ts'
import { findPersonOfSession, findSession } from '../db/queries/people.ts'
import { problemError } from '../system/problemError.ts'
import { useSignIn } from './port.ts'
import { useDatabase } from '../db/port.ts'
import { actorOfKey } from './keys.ts'
import { readSessionCookie, sessionIdOf } from './sessionCookie.ts'

/** What each role may do; each includes what stands after it. */
const rank: Record<Role, number> = { owner: 3, editor: 2, moderator: 1, desk: 0 }

/** What the session that the cookie names is called in the database; null without one. */
export async function sessionIdIn(event: H3Event): Promise<string | null> {
  const { secret } = await useSignIn()
  const key = await readSessionCookie(event, secret)
  return key ? sessionIdOf(key) : null
}

export async function readSession(event: H3Event): Promise<SessionView | null> {
  const { database } = await useDatabase()
  const id = await sessionIdIn(event)
  return id ? findSession(database.db, id) : null
}

/** Who is signed in, whether or not they belong to any channel. */
export async function readPersonOf(event: H3Event): Promise<{ id: string; name: string } | null> {
  const { database } = await useDatabase()
  const id = await sessionIdIn(event)
  return id ? findPersonOfSession(database.db, id) : null
}

/** The signed-in member, who must be at least this. @throws 401 or 403 as a problem document. */
export async function requireMember(event: H3Event, atLeast: Role): Promise<SessionView> {
  const session = await readSession(event)
  if (!session) throw problemError(401, 'Sign in first; your session may have ended.')
  if (rank[session.role] < rank[atLeast]) {
    throw problemError(
      403,
      `This needs the role ${roleName(atLeast)}; you are ${roleName(session.role)} of ${session.channel.name}. Ask an owner to do it or to change your role.`,
    )
  }
  return session
}

/**
 * Whoever acts: a program with a key that may do this, or a signed-in member who is at least that. A program stands for a moderator
 * by the name of its key.
 * @throws 401, 403 or 429 as a problem document
 */
export async function requireActor(event: H3Event, scope: Scope, atLeast: Role): Promise<SessionView> {
  // Another scheme is some proxy's in front, and none of ours.
  if (/^Bearer /i.test(getHeader(event, 'authorization') ?? '')) return actorOfKey(event, scope)
  return requireMember(event, atLeast)
}

/**
 * The box of the signed-in member's own channel.
 * @param scope what a program's key has to allow; without one, only people do this
 * @throws 404 for a box of another channel, as if it did not exist.
 */
export async function requireBox(
  event: H3Event,
  id: string,
  atLeast: Role,
  scope?: Scope,
): Promise<{ session: SessionView; box: BoxRow }> {
  const session = await (scope ? requireActor(event, scope, atLeast) : requireMember(event, atLeast))
  return { session, box: await ownBox(session.channel.id, id) }
}

export async function ownBox(channelId: string, id: string): Promise<BoxRow> {
  const { database } = await useDatabase()
  const box = await findBox(database.db, channelId, id)
  if (!box) throw problemError(404, 'There is no such box in this channel.')
  return box
}

/** @throws 409 for a board, where something is asked that only alerts have */
export function refuseBoard({ isBoard }: Pick<BoxRow, 'isBoard'>): void {
  if (isBoard) throw problemError(409, 'This is a board: it stays on screen, and no alerts play on it.')
}
