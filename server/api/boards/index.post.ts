import { defineEventHandler, setResponseStatus } from 'h3'
import { newBoardBody } from '../../../contract/boards.ts'
import { requireMember } from '../../auth/access.ts'
import { createBoard } from '../../boards/createBoard.ts'
import { readChecked } from '../../http/readChecked.ts'
import { ownPack, takeFiles } from '../../packs/shelf.ts'
import { noteDeed } from '../../channel/trail.ts'

/** Makes a board, plain or in the look of a pack; nothing is on air yet. */
export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'editor')
  const { name, canvas, shelfId } = await readChecked(event, newBoardBody)
  const pack = shelfId === null ? null : await ownPack(session.channel.id, shelfId)
  if (pack?.manifest.board) await takeFiles(session.channel.id, pack)
  const id = await createBoard(session.channel.id, name, canvas, pack?.manifest ?? null)
  await noteDeed(session, 'madeBox', name)
  setResponseStatus(event, 201)
  return { id }
})
