import type { H3Event } from 'h3'
import { findOwnMedia, type MediaRow } from '../db/queries/media.ts'
import { pathId } from '../http/pathId.ts'
import { problemError } from '../system/problemError.ts'
import { useDatabase } from '../db/port.ts'

/** The file that the address names, of this channel; deleted ones too. @throws 404 as a problem document */
export async function ownMedia(event: H3Event, channelId: string): Promise<MediaRow> {
  const { database } = await useDatabase()
  const row = await findOwnMedia(database.db, channelId, pathId(event, 'id'))
  if (!row) throw problemError(404, 'There is no such file in this channel’s library.')
  return row
}
