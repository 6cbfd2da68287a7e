import { defineEventHandler } from 'h3'
import type { ActView } from '../../../../contract/acts.ts'
import { describeEvent } from '../../../../core/events/describeEvent.ts'
import { requireBox } from '../../../auth/access.ts'
import { useDatabase } from '../../../db/port.ts'
import { listActs } from '../../../db/queries/acts.ts'
import { pathId } from '../../../http/pathId.ts'
import { canonicalOf } from '../../../ingest/decideEvents.ts'

/** What was done at the desk of this box, and by whom, newest first. */
export default defineEventHandler(async (event): Promise<{ acts: ActView[] }> => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'desk')
  const { database } = await useDatabase()
  const rows = await listActs(database.db, box.channelId, box.id)
  return {
    acts: rows.map(({ seq, at, byName, did, event: of }) => ({
      ...{ seq, did, atMs: at.getTime(), by: byName },
      name: of ? describeEvent(canonicalOf(of), session.channel.locale).name : '',
    })),
  }
})
