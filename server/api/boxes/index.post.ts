import { defineEventHandler, setResponseStatus } from 'h3'
import { newBoxBody } from '../../../contract/bodies.ts'
import { requireMember } from '../../auth/access.ts'
import { createBox } from '../../boxes/createBox.ts'
import { readChecked } from '../../http/readChecked.ts'

export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const { name, canvas } = await readChecked(event, newBoxBody)
  setResponseStatus(event, 201)
  return { id: await createBox(channel.id, name, canvas) }
})
