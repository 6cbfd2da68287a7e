import { createHash, randomBytes } from 'node:crypto'
import { getHeader, setResponseHeader, type H3Event } from 'h3'
import { scopeWords, type KeyView, type Scope } from '../../contract/keys.ts'
import type { SessionView } from '../../contract/views.ts'
import { useDatabase } from '../db/port.ts'
import { findApiKey, noteKeyUse, type KeyRow } from '../db/queries/keys.ts'
import { problemError } from '../system/problemError.ts'
import { useSignIn } from './port.ts'

/** A new key: 192 bits, with a beginning by which people and programs that look for leaked secrets know what it is. */
export const newApiKey = (): string => `tck_${randomBytes(24).toString('base64url')}`

/** As much of a key as tells it from others. */
export const hintOf = (key: string): string => key.slice(0, 8)

export function hashApiKey(key: string): string {
  return createHash('sha256').update(key).digest('base64url')
}

export const keyView = (row: KeyRow): KeyView => ({
  ...{ id: row.id, name: row.name, hint: row.hint, scopes: row.scopes, perMinute: row.perMinute },
  ...{ madeByName: row.madeByName, madeAtMs: row.madeAt.getTime(), usedAtMs: row.usedAt?.getTime() ?? null },
})

/** So long nobody writes down again that a key was used. */
const usedForMs = 60_000

/**
 * Whoever holds a key, as a moderator by the key's name.
 * @throws 401 for a key that is not known, 403 for one that may not do this, 429 for one that asks too often
 */
export async function actorOfKey(event: H3Event, scope: Scope): Promise<SessionView> {
  const header = getHeader(event, 'authorization') ?? ''
  const { database } = await useDatabase()
  const hash = /^Bearer \S{20,200}$/i.test(header) ? hashApiKey(header.slice(7)) : null
  const found = hash === null ? null : await findApiKey(database.db, hash)
  if (!found || hash === null)
    throw problemError(
      401,
      'This API key is not known here: it may have been ended. Send "Authorization: Bearer <key>" with a key of the channel.',
    )
  const { key, channel } = found
  if (!key.scopes.includes(scope))
    throw problemError(
      403,
      `The key “${key.name}” may not do this. Make one that may: ${scopeWords[scope].name.toLowerCase()}.`,
    )
  const { keyLimits } = await useSignIn()
  const againMs = await keyLimits.count(hash, key.perMinute)
  if (againMs !== null) {
    const seconds = Math.ceil(againMs / 1000)
    setResponseHeader(event, 'retry-after', seconds)
    throw problemError(
      429,
      `The key “${key.name}” may ask ${key.perMinute} times a minute. Ask again in ${seconds} s, or send events in batches.`,
    )
  }
  const now = Date.now()
  if (now - (key.usedAt?.getTime() ?? 0) > usedForMs) await noteKeyUse(database.db, hash, new Date(now))
  return { person: { id: `key:${key.id}`, name: `key ${key.name}` }, channel, role: 'moderator' }
}
