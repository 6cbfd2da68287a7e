import { defineEventHandler, setResponseStatus } from 'h3'
import { newBoxBody } from '../../../contract/bodies.ts'
import { requireMember } from '../../auth/access.ts'
import { createBox } from '../../boxes/createBox.ts'
import { readChecked } from '../../http/readChecked.ts'
import { noteDeed } from '../../channel/trail.ts'

export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'editor')
  const { name, canvas } = await readChecked(event, newBoxBody)
  const id = await createBox(session.channel.id, name, canvas)
  await noteDeed(session, 'madeBox', name)
  setResponseStatus(event, 201)
  return { id }
})
