import { defineEventHandler } from 'h3'
import type { ChatRoomView } from '../../../../../contract/simulatedChat.ts'
import { guests } from '../../../../../stand-ins/scripts.ts'
import { roomOf } from '../../../../standIns/room.ts'

const redemptionsShown = 12

/** A simulated chat, as viewers find it. */
export default defineEventHandler(async (event): Promise<ChatRoomView> => {
  const { feed, simulated } = await roomOf(event)
  const redemptions = await simulated.redemptions(feed)
  return {
    ...{ platform: feed.platform, name: feed.name, hasRewards: simulated.hasRewards(feed.platform) },
    rewards: simulated.hasRewards(feed.platform) ? await simulated.rewards(feed) : [],
    redemptions: redemptions.slice(-redemptionsShown).toReversed(),
    emotes: simulated.emotes(feed.platform),
    guests: guests.map((name) => ({ id: `sim-${name}`, name })),
  }
})
