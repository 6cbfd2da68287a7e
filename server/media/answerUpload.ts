import type { H3Event } from 'h3'
import { requireMember } from '../auth/access.ts'
import { useServices } from '../system/services.ts'

/** Hands a request of the upload protocol to its library, in the name of the member's channel. */
export async function answerUpload(event: H3Event, which: 'uploads' | 'packUploads'): Promise<void> {
  const { channel } = await requireMember(event, 'editor')
  const services = await useServices()
  await services[which].handle(channel.id, event.node.req, event.node.res)
}
