import { defineEventHandler } from 'h3'
import { chatSayBody } from '../../../../../contract/simulatedChat.ts'
import { readChecked } from '../../../../http/readChecked.ts'
import { roomOf } from '../../../../standIns/room.ts'

/** A viewer says something in a simulated chat; the platform hands it on, signed. */
export default defineEventHandler(async (event) => {
  const { feed, simulated } = await roomOf(event)
  const { viewer, text } = await readChecked(event, chatSayBody)
  await simulated.chat(feed, viewer, text)
  return { ok: true }
})
