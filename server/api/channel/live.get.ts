import { defineEventHandler } from 'h3'
import { requireMember, sessionIdIn } from '../../auth/access.ts'
import { EventStream } from '../../realtime/eventStream.ts'
import { useServices } from '../../system/services.ts'

/** A stream of server-sent events with the state of the channel, whenever it changes. It ends with the session. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'moderator')
  const sessionId = (await sessionIdIn(event)) ?? ''
  const { stream } = await useServices()
  const out = new EventStream(event.node.res, () => stopListening())
  const stopListening = stream.listen(channel.id, {
    sessionId,
    tell: (live) => out.push(live),
    end: () => out.end(),
  })
})
