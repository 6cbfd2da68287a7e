import { defineEventHandler, getValidatedQuery, sendStream, setResponseHeaders } from 'h3'
import * as z from 'zod'
import { refuseBoard, requireBox } from '../../../auth/access.ts'
import { pathId } from '../../../http/pathId.ts'
import { packOf } from '../../../packs/packOf.ts'
import { writePack } from '../../../packs/writePack.ts'
import { problemError } from '../../../system/problemError.ts'
import { useDatabase } from '../../../db/port.ts'
import { useMedia } from '../../../media/port.ts'

const query = z.object({ without: z.string().max(8000).default('') })

/**
 * A box's draft as a pack: a zip with its manifest and every file that it needs. What viewers can set off in it goes along,
 * but for triggers that the query names, with commas between their ids.
 */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  refuseBoard(box)
  const { database } = await useDatabase()
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'The address of the pack is not as it should be.')
  const { media } = await useMedia()
  const pack = await packOf(database.db, box, session.person.name, asked.data.without.split(','))
  if (!pack)
    throw problemError(
      409,
      'A file that this box uses is gone for good. Give its part another one, then save the pack.',
    )
  setResponseHeaders(event, {
    'content-type': 'application/zip',
    'content-disposition': `attachment; filename="${pack.id}.pack.zip"`,
    'cache-control': 'no-store',
  })
  return sendStream(event, writePack(pack, media))
})
