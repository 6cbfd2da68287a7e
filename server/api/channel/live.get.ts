import { createEventStream, defineEventHandler } from 'h3'
import { requireMember } from '../../auth/access.ts'
import { useServices } from '../../system/services.ts'

/** A stream of server-sent events with the state of the channel, whenever it changes. */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'moderator')
  const { stream } = await useServices()
  const out = createEventStream(event)
  const stopListening = stream.listen(channel.id, (live) => void out.push(JSON.stringify(live)))
  out.onClosed(() => {
    stopListening()
    void out.close()
  })
  return out.send()
})
