import type { H3Event } from 'h3'
import { requireMember } from '../auth/access.ts'
import { usePacks } from '../packs/port.ts'
import { useMedia } from './port.ts'

/** Hands a request of the upload protocol to its library, in the name of the member's channel. */
export async function answerUpload(event: H3Event, which: 'uploads' | 'packUploads'): Promise<void> {
  const { channel } = await requireMember(event, 'editor')
  const uploads = which === 'uploads' ? (await useMedia()).uploads : (await usePacks()).packUploads
  await uploads.handle(channel.id, event.node.req, event.node.res)
}
