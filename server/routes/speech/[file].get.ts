import { defineEventHandler, getRouterParam, setResponseHeaders } from 'h3'
import { problemError } from '../../system/problemError.ts'
import { useVoices } from '../../speech/port.ts'

/** A recording of a voice. Its address is sealed: nobody guesses it. Sources have no cookie to show. @throws 404 */
export default defineEventHandler(async (event) => {
  const key = (getRouterParam(event, 'file') ?? '').replace(/\.wav$/, '')
  const { speaker } = await useVoices()
  const file = await speaker.cache.read(key)
  if (!file) throw problemError(404, 'There is no such recording (any more).')
  setResponseHeaders(event, {
    'content-type': 'audio/wav',
    'cache-control': 'private, max-age=86400, immutable',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
    'cross-origin-resource-policy': 'same-origin',
  })
  return file
})
