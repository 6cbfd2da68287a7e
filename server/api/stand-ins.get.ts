import { defineEventHandler } from 'h3'
import { withCalls } from '../triggers/surroundings.ts'

/** Whether simulated platforms, chat and studio answer on this server. */
export default defineEventHandler(async (event) => {
  const { standIns } = await withCalls(event, 'moderator')
  return { isOn: await standIns.standInsAnswer() }
})
