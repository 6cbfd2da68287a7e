import { defineEventHandler } from 'h3'
import type { TriggersView } from '../../../contract/triggers.ts'
import { answerTriggers, withCalls } from '../../triggers/surroundings.ts'

/** What viewers of the channel can set off. */
export default defineEventHandler(async (event): Promise<TriggersView> =>
  answerTriggers(event, await withCalls(event, 'moderator')),
)
