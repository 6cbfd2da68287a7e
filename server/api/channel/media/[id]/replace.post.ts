import { defineEventHandler } from 'h3'
import { mediaReplacement } from '../../../../../contract/media.ts'
import { requireMember } from '../../../../auth/access.ts'
import { findOwnMedia } from '../../../../db/queries/media.ts'
import { readChecked } from '../../../../http/readChecked.ts'
import { ownMedia } from '../../../../media/ownMedia.ts'
import { replaceEverywhere } from '../../../../media/replaceEverywhere.ts'
import { problemError } from '../../../../system/problemError.ts'
import { useScreens } from '../../../../live/port.ts'
import { useDatabase } from '../../../../db/port.ts'

const maxBytes = 1024 * 1024

/** Puts another file in this one's place in all drafts; the answer is what undoes it. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const { id, kind } = await ownMedia(event, channel.id)
  const { by, partsOf } = await readChecked(event, mediaReplacement, maxBytes)
  const { database } = await useDatabase()
  const { stream } = await useScreens()
  const other = await findOwnMedia(database.db, channel.id, by)
  if (!other) throw problemError(404, 'The file to take its place is not in this channel’s library.')
  if (other.kind !== kind) throw problemError(422, `A ${kind} can only be replaced by a ${kind}.`)
  const replaced = await replaceEverywhere(database.db, channel.id, id, by, partsOf ?? null)
  stream.changed(channel.id)
  return { partsOf: replaced }
})
