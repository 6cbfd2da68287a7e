import { defineEventHandler, setResponseStatus } from 'h3'
import { requireBox } from '../../../../../auth/access.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { useServices } from '../../../../../system/services.ts'

/** Skips a play, whether it is on screen or still waiting. It stays in the log and can be replayed. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'moderator')
  const { queues } = await useServices()
  const reason = `skipped by ${session.person.name}`
  queues.of(box.id).input({ type: 'removed', playId: pathId(event, 'playId'), outcome: 'skipped', reason })
  setResponseStatus(event, 204)
  return null
})
