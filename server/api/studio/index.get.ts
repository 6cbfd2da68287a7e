import { defineEventHandler } from 'h3'
import type { StudioView } from '../../../contract/triggers.ts'
import { withCalls } from '../../triggers/surroundings.ts'

/** What the channel's studio shows, as it says itself. */
export default defineEventHandler(async (event): Promise<StudioView> => {
  const { session, calls } = await withCalls(event, 'moderator')
  return (await calls.act(session.channel.id, { do: 'studio' })) as StudioView
})
