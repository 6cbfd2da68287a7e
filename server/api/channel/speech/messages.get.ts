import { defineEventHandler } from 'h3'
import type { PastMessage } from '../../../../contract/speech.ts'
import { kindNames } from '../../../../core/events/kindNames.ts'
import { viewerWords } from '../../../../core/speech/sayings.ts'
import { requireMember } from '../../../auth/access.ts'
import { listWorded } from '../../../db/queries/readings.ts'
import { canonicalOf } from '../../../ingest/decideEvents.ts'
import { useDatabase } from '../../../db/port.ts'

const listed = 60

/** What viewers wrote last, newest first, the same words once: to try rules on. */
export default defineEventHandler(async (event): Promise<{ messages: PastMessage[] }> => {
  const { channel } = await requireMember(event, 'moderator')
  const { database } = await useDatabase()
  const rows = await listWorded(database.db, channel.id, listed)
  const seen = new Set<string>()
  return {
    messages: rows.flatMap((row) => {
      const happened = canonicalOf(row)
      const words = viewerWords(happened)
      const isNew = words !== null && !seen.has(words.text)
      if (words) seen.add(words.text)
      return words && isNew
        ? [
            {
              eventId: row.id,
              name: happened.data.viewer?.name ?? 'Somebody',
              kind: kindNames[row.kind],
              text: words.text,
              emotes: words.emotes.map(({ from, to }) => ({ from, to })),
            },
          ]
        : []
    }),
  }
})
