import { defineEventHandler } from 'h3'
import { requireMember, sessionIdIn } from '../../auth/access.ts'
import { EventStream } from '../../live/eventStream.ts'
import { useScreens } from '../../live/port.ts'

/** A stream of server-sent events with the state of the channel: whole, then what changes of it. It ends with the session. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'desk')
  const sessionId = (await sessionIdIn(event)) ?? ''
  const { stream } = await useScreens()
  const out: EventStream = new EventStream(
    event.node.res,
    () => listening.whole(),
    () => listening.stop(),
  )
  const listening = stream.listen(channel.id, {
    sessionId,
    tell: (message) => out.push(message),
    end: () => out.end(),
  })
})
