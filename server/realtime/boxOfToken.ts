import { findBoxByToken } from '../db/queries/boxes.ts'
import { useServices } from '../system/services.ts'

/** The box that this secret address shows, also one that is put away; null for an address that is unknown or was replaced. */
export async function boxOfToken(token: string) {
  if (!/^src[0-9a-z]{32}$/.test(token)) return null
  const { database } = await useServices()
  return findBoxByToken(database.db, token)
}
