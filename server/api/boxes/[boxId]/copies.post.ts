import { defineEventHandler, setResponseStatus } from 'h3'
import { copyBoxBody } from '../../../../contract/bodies.ts'
import { requireBox } from '../../../auth/access.ts'
import { createBoxOf } from '../../../boxes/createBox.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** Makes another box of a box's draft, with an address of its own; nothing of it is on air. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  const { name } = await readChecked(event, copyBoxBody)
  const id = await createBoxOf(box.channelId, name, box.draft)
  await noteDeed(session, 'madeBox', name, `of ${box.name}`)
  setResponseStatus(event, 201)
  return { id }
})
