import { defineEventHandler, getRequestURL } from 'h3'
import { chatPage } from '../../../../stand-ins/consent/pages.ts'
import { deliver } from '../../../../stand-ins/deliver.ts'
import { chatSecret } from '../../../feeds/linking.ts'
import { ownOrigin } from '../../../http/ownOrigin.ts'
import { readForm, sendPage } from '../../../standIns/consent.ts'
import { knownPlatform } from '../../../standIns/knownPlatform.ts'
import { newId } from '../../../system/ids.ts'
import { useSignIn } from '../../../auth/port.ts'
import { useRuntime } from '../../../system/runtimePort.ts'

/** Somebody says something in the chat of their own channel; the platform hands it on, signed. */
export default defineEventHandler(async (event) => {
  const platform = knownPlatform(event)
  const { account = '', text = '' } = await readForm(event)
  const said = { account: account.trim().slice(0, 60) || 'somebody', text: text.slice(0, 200) }
  const { config } = await useRuntime()
  const { secret } = await useSignIn()
  await deliver(
    { url: `${ownOrigin(config, getRequestURL(event))}/api/feeds/links/heard`, secret: chatSecret(secret, platform) },
    { platform, ...said },
    newId('chat'),
    Date.now(),
  )
  return sendPage(event, chatPage(platform, said))
})
