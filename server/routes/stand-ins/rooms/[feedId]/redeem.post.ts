import { defineEventHandler } from 'h3'
import { chatRedeemBody } from '../../../../../contract/simulatedChat.ts'
import { readChecked } from '../../../../http/readChecked.ts'
import { roomOf } from '../../../../standIns/room.ts'
import { problemError } from '../../../../system/problemError.ts'

/** A viewer redeems a reward of a simulated platform. */
export default defineEventHandler(async (event) => {
  const { feed, simulated } = await roomOf(event)
  const { viewer, rewardId, input } = await readChecked(event, chatRedeemBody)
  const fault = await simulated.redeem(feed, viewer, rewardId, input)
  if (fault !== null) throw problemError(409, fault)
  return { ok: true }
})
