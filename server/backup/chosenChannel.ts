import type { Database } from '../db/handle.ts'
import { listChannels } from '../db/queries/channels.ts'
import { problemError } from '../system/problemError.ts'

/**
 * The channel that is meant.
 * @param id null: the only one
 * @throws 404 where there is none such, 409 where there are several and none was named
 */
export async function chosenChannel(db: Database, id: string | null): Promise<{ id: string; name: string }> {
  const channels = await listChannels(db)
  const listed = channels.map((each) => `${each.id} (${each.name})`).join(', ')
  const found = id === null ? channels[0] : channels.find((each) => each.id === id)
  if (!found)
    throw problemError(
      404,
      listed === '' ? 'There is no channel here yet.' : `There is no such channel. There are: ${listed}.`,
    )
  if (id === null && channels.length > 1)
    throw problemError(409, `There are several channels; say which one with --channel: ${listed}.`)
  return found
}
