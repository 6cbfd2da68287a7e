import { defineEventHandler, getValidatedQuery } from 'h3'
import * as z from 'zod'
import { EventStream } from '../../../../live/eventStream.ts'
import { roomOf } from '../../../../standIns/room.ts'
import { problemError } from '../../../../system/problemError.ts'

const query = z.object({ id: z.string().min(1).max(100), name: z.string().trim().min(1).max(200) })

/** A stream of what is said in a simulated chat: what was said lately, then each line. Whoever listens is there. */
export default defineEventHandler(async (event) => {
  const { feed, simulated } = await roomOf(event)
  const asked = await getValidatedQuery(event, query.safeParse)
  if (!asked.success) throw problemError(422, 'Say who is there: ?id=…&name=….')
  const whole = () => JSON.stringify({ lines: simulated.rooms.lines(feed.id).slice(-100) })
  let leave: (() => void) | null = null
  const out = new EventStream(event.node.res, whole, () => leave?.())
  leave = simulated.rooms.join(feed.id, (line) => out.push(JSON.stringify({ line })), {
    ...asked.data,
    sinceMs: Date.now(),
  })
  if (leave) out.push(whole())
  else out.end()
})
