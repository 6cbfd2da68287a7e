import { findBoxByToken } from '../db/queries/boxes.ts'
import { useDatabase } from '../db/port.ts'

/** The box that this secret address shows, also one that is put away; null for an address that is unknown or was replaced. */
export async function boxOfToken(token: string) {
  if (!/^src[0-9a-z]{32}$/.test(token)) return null
  const { database } = await useDatabase()
  return findBoxByToken(database.db, token)
}
