import { getHeader, type H3Event } from 'h3'
import { listChannelsOf } from '../db/queries/members.ts'
import { addSession } from '../db/queries/people.ts'
import { newSecret } from '../system/ids.ts'
import { useDatabase } from '../db/port.ts'
import { browserWords } from './browserWords.ts'
import { useSignIn } from './port.ts'
import { sessionIdOf, sessionLastsMs, writeSessionCookie } from './sessionCookie.ts'

/** Signs a person in on this browser. A new key every time: a session never outlives a sign-out. */
export async function startSession(event: H3Event, personId: string, channelId: string | null = null): Promise<void> {
  const { database } = await useDatabase()
  const { secret } = await useSignIn()
  const key = newSecret()
  // Where they work is settled now: a channel that comes to them later does not take its place.
  const here = channelId ?? (await listChannelsOf(database.db, personId))[0]?.id ?? null
  await addSession(database.db, {
    ...{ id: sessionIdOf(key), personId, channelId: here },
    expiresAt: new Date(Date.now() + sessionLastsMs),
    browser: browserWords(getHeader(event, 'user-agent') ?? ''),
  })
  await writeSessionCookie(event, key, secret)
}
