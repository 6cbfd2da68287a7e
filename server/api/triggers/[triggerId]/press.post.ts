import { defineEventHandler, setResponseStatus } from 'h3'
import { pressBody } from '../../../../contract/triggers.ts'
import { deskSource } from '../../../../core/triggers/callsOf.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useIngest } from '../../../ingest/port.ts'
import { problemError } from '../../../system/problemError.ts'
import { ownTrigger, withCalls } from '../../../triggers/surroundings.ts'

/** Somebody presses its button or its key on the desk. The same request twice is one press. */
export default defineEventHandler(async (event) => {
  const { session } = await withCalls(event, 'desk')
  const { document } = await ownTrigger(event, session.channel)
  const { requestId, input } = await readChecked(event, pressBody)
  if (!document.starts.some(({ by }) => by === 'hand'))
    throw problemError(409, 'This trigger has no button. Give it one among what starts it.')
  const { ingest } = await useIngest()
  setResponseStatus(event, 202)
  return ingest.accept(session.channel.id, [
    {
      ...{ source: deskSource, externalId: requestId, kind: 'redemption', occurredAtMs: Date.now(), isTest: false },
      data: {
        viewer: { id: session.person.id, name: session.person.name },
        reward: { id: document.id, title: document.name, costPoints: 0 },
        ...(input === undefined ? {} : { input }),
      },
    },
  ])
})
