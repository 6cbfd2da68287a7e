import { defineEventHandler, getRouterParam, setResponseHeaders } from 'h3'
import { outsideEmoteUrl } from '../../../emotes/emoteAddress.ts'
import { problemError } from '../../../system/problemError.ts'
import { useSignIn } from '../../../auth/port.ts'
import { useEmotes } from '../../../emotes/port.ts'

/** The picture of an emote, fetched and kept by this server: only of addresses that it has sealed itself. @throws 404 */
export default defineEventHandler(async (event) => {
  const { emotes } = await useEmotes()
  const { secret } = await useSignIn()
  const url = outsideEmoteUrl(getRouterParam(event, 'seal') ?? '', getRouterParam(event, 'address') ?? '', secret)
  const emote = url && (await emotes.read(url))
  if (!emote) throw problemError(404, 'There is no such emote, or its platform does not give it.')
  setResponseHeaders(event, {
    'content-type': emote.mime,
    'cache-control': 'private, max-age=86400',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
    'cross-origin-resource-policy': 'same-origin',
  })
  return emote.bytes
})
