import * as z from 'zod'
import type { KindDefinition } from './kindDefinition.ts'
import { applause } from './kinds/applause/applause.ts'
import { charityDonation } from './kinds/charityDonation/charityDonation.ts'
import { chatCommand } from './kinds/chatCommand/chatCommand.ts'
import { chatMessage } from './kinds/chatMessage/chatMessage.ts'
import { follow } from './kinds/follow/follow.ts'
import { giftBatch } from './kinds/giftBatch/giftBatch.ts'
import { giftRecipient } from './kinds/giftRecipient/giftRecipient.ts'
import { goalReached } from './kinds/goalReached/goalReached.ts'
import { goalStarted } from './kinds/goalStarted/goalStarted.ts'
import { membership } from './kinds/membership/membership.ts'
import { membershipRenewal } from './kinds/membershipRenewal/membershipRenewal.ts'
import { paidMessage } from './kinds/paidMessage/paidMessage.ts'
import { purchase } from './kinds/purchase/purchase.ts'
import { raid } from './kinds/raid/raid.ts'
import { redemption } from './kinds/redemption/redemption.ts'
import { resubscription } from './kinds/resubscription/resubscription.ts'
import { sponsorLine } from './kinds/sponsorLine/sponsorLine.ts'
import { subscription } from './kinds/subscription/subscription.ts'
import { surgeEnded } from './kinds/surgeEnded/surgeEnded.ts'
import { surgeLevelled } from './kinds/surgeLevelled/surgeLevelled.ts'
import { surgeStarted } from './kinds/surgeStarted/surgeStarted.ts'
import { tip } from './kinds/tip/tip.ts'

/**
 * Every kind of event that the outside contract names, in the order of lists. Adding one = its folder, and its line here: what
 * else there is to say of a kind, the compiler asks of its definition.
 */
export const kindDefinitions = {
  follow,
  subscription,
  resubscription,
  giftBatch,
  giftRecipient,
  membership,
  membershipRenewal,
  tip,
  paidMessage,
  charityDonation,
  applause,
  raid,
  purchase,
  surgeStarted,
  surgeLevelled,
  surgeEnded,
  goalStarted,
  goalReached,
  sponsorLine,
  redemption,
  chatCommand,
  chatMessage,
}

export type EventKind = keyof typeof kindDefinitions
export const eventKinds = Object.keys(kindDefinitions) as [EventKind, ...EventKind[]]
export const eventKind = z.enum(eventKinds)

/** All that is known of a kind, where it does not matter which kind it is. */
export const kindOf = (kind: EventKind): KindDefinition => kindDefinitions[kind]
