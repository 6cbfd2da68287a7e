import { getRequestURL, type H3Event } from 'h3'
import type { StudioLinkView } from '../../contract/triggers.ts'
import type { Database } from '../db/handle.ts'
import { setStudioSecret } from '../db/queries/runs.ts'
import { newSecret } from '../system/ids.ts'

/** The address and the secret of a channel's studio link. @param isReplaced it is given another secret */
export async function linkView(
  event: H3Event,
  db: Database,
  channelId: string,
  isReplaced: boolean,
): Promise<StudioLinkView> {
  const url = new URL(`/studio/link?channel=${channelId}`, getRequestURL(event))
  url.protocol = url.protocol === 'https:' ? 'wss:' : 'ws:'
  return { url: url.href, secret: await setStudioSecret(db, channelId, newSecret('stl'), isReplaced) }
}
