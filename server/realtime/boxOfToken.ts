import { findBoxByToken } from '../db/queries/boxes.ts'
import { useDatabase } from '../db/port.ts'

/** How the secrets begin in the addresses of what is shown. */
const begins = { box: /^src[0-9a-z]{32}$/, board: /^brd[0-9a-z]{32}$/ }

/** The box, or the board, that this secret address shows, also one that is put away; null for an address that is unknown or was replaced. */
export async function boxOfToken(token: string, of: keyof typeof begins) {
  if (!begins[of].test(token)) return null
  const { database } = await useDatabase()
  return findBoxByToken(database.db, token)
}
