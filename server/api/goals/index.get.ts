import { defineEventHandler } from 'h3'
import { withGoals } from '../../goals/surroundings.ts'

/** The goals of the channel, as they stand. */
export default defineEventHandler(async (event) => (await withGoals(event, 'moderator')).view())
