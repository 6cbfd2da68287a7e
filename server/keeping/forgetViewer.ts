import { forgetViewer } from '../../core/events/forgetViewer.ts'
import type { ForgottenView } from '../../contract/keeping.ts'
import type { Database } from '../db/handle.ts'
import {
  forgetElsewhere,
  listEventsAbout,
  wasReadAloud,
  setEventData,
  setEventForgotten,
} from '../db/queries/forgetting.ts'
import type { SpeechCache } from '../speech/speechCache.ts'
import { newId } from '../system/ids.ts'

export const forgottenName = 'somebody'

/**
 * Takes one person out of everything that a channel keeps: name, picture, words and recordings of them. What they gave and did stays
 * in the sums, as somebody’s.
 * @param viewer as the events of the source name them
 */
export async function forgetEverywhere(
  db: Database,
  recordings: Pick<SpeechCache, 'clear'>,
  channelId: string,
  { source, viewer }: { source: string; viewer: string },
): Promise<ForgottenView> {
  const as = { id: newId('forgotten'), name: forgottenName }
  const wasRead = await wasReadAloud(db, channelId, source, viewer)
  const rows = await listEventsAbout(db, channelId, source, viewer)
  await db.transaction(async (tx) => {
    for (const { id, data } of rows) await setEventData(tx, id, forgetViewer(data, viewer, as))
    await setEventForgotten(
      tx,
      rows.map(({ id }) => id),
    )
    const names = new Set(rows.flatMap(({ data }) => (data.viewer?.id === viewer ? [data.viewer.name] : [])))
    await forgetElsewhere(tx, channelId, { source, viewer, names: [...names], as })
  })
  // Nobody can tell whose words a recording has, for it is kept under a seal: all of them go, and are made again where they are needed.
  return { events: rows.length, recordings: wasRead ? await recordings.clear() : 0 }
}
