import { defineEventHandler } from 'h3'
import * as z from 'zod'
import { newDeliverySecret } from '../../../feeds/linking.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { accountOfBearer } from '../../../standIns/consent.ts'
import { knownPlatform } from '../../../standIns/knownPlatform.ts'

const body = z.object({ url: z.url({ protocol: /^https?$/ }).max(500) })

/**
 * Has the events of an account delivered to an address. The simulator sends there; the answer is the secret that it
 * signs with.
 */
export default defineEventHandler(async (event) => {
  accountOfBearer(event, knownPlatform(event))
  await readChecked(event, body)
  return { secret: newDeliverySecret() }
})
