import { defineEventHandler, getValidatedQuery, sendStream, setResponseHeaders } from 'h3'
import * as z from 'zod'
import { ownBox, refuseBoard, requireBox } from '../../../auth/access.ts'
import type { Composition } from '../../../../core/composition/schema.ts'
import { packedBoard } from '../../../../core/pack/packedBoard.ts'
import type { BoxRow } from '../../../db/queries/boxes.ts'
import { pathId } from '../../../http/pathId.ts'
import { packOf } from '../../../packs/packOf.ts'
import { writePack } from '../../../packs/writePack.ts'
import { problemError } from '../../../system/problemError.ts'
import { useDatabase } from '../../../db/port.ts'
import { useMedia } from '../../../media/port.ts'

const query = z.object({ without: z.string().max(8000).default(''), board: z.string().max(80).optional() })

/**
 * A box's draft as a pack: a zip with its manifest and every file that it needs. What viewers can set off in it goes along,
 * but for triggers that the query names, with commas between their ids; and what a board shows that it names.
 */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  refuseBoard(box)
  const { database } = await useDatabase()
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'The address of the pack is not as it should be.')
  const { media } = await useMedia()
  const { without, board } = asked.data
  const scene = board === undefined ? null : await sceneAlong(session.channel.id, board, box)
  const pack = await packOf(database.db, box, session.person.name, without.split(','), scene)
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

/** What a board shows, as it goes along with the pack of a box. @throws 404 where there is none such, 409 where it does not fit */
async function sceneAlong(channelId: string, boardId: string, box: BoxRow): Promise<Composition> {
  const board = await ownBox(channelId, boardId)
  if (!board.isBoard) throw problemError(404, 'There is no such board in this channel.')
  const scene = packedBoard(board.draft, box.draft.canvas)
  if (!scene) throw problemError(409, 'This board has another shape than the box, so it cannot go along with it.')
  return scene
}
