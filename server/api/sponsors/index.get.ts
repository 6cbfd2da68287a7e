import { defineEventHandler } from 'h3'
import { withSponsors } from '../../sponsors/surroundings.ts'

/** The campaigns of the channel, with what came of them in the last 30 days. */
export default defineEventHandler(async (event) => (await withSponsors(event, 'moderator')).view())
