import { defineEventHandler, getHeader } from 'h3'
import { issuesOf } from '../../../../contract/issuesOf.ts'
import { heardBody } from '../../../../contract/linking.ts'
import { chatSecret } from '../../../feeds/linking.ts'
import { verifyDelivery } from '../../../feeds/verifyDelivery.ts'
import { readBounded } from '../../../http/readBounded.ts'
import { parseJson } from '../../../http/readChecked.ts'
import { problemError } from '../../../system/problemError.ts'
import { useLinking } from '../../../feeds/port.ts'
import { useSignIn } from '../../../auth/port.ts'

const maxBytes = 4096

/**
 * What the owner of an account said in its chat, signed by the platform. Only codes are looked for; nothing of it is
 * kept.
 */
export default defineEventHandler(async (event) => {
  const { linking } = await useLinking()
  const { secret } = await useSignIn()
  const raw = await readBounded(event, maxBytes)
  const checked = heardBody.safeParse(parseJson(raw))
  if (!checked.success) throw problemError(422, 'This is not what a chat says.', issuesOf(checked.error))
  const { platform, account, text } = checked.data
  const verified = verifyDelivery(chatSecret(secret, platform), raw, {
    id: getHeader(event, 'webhook-id'),
    timestamp: getHeader(event, 'webhook-timestamp'),
    signature: getHeader(event, 'webhook-signature'),
  })
  if (!verified.ok) throw problemError(401, verified.error)
  return { linked: (await linking.hear(platform, account, text, Date.now())) !== null }
})
