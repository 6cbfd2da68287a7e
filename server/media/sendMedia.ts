import { getHeader, sendStream, setResponseHeaders, setResponseStatus, type H3Event } from 'h3'
import { byteRange } from '../http/byteRange.ts'
import { problemError } from '../system/problemError.ts'
import { useMedia } from './port.ts'

/** Answers with a stored file or the part of it that is asked for. Nothing in it can run. @throws 404 or 416 */
export async function sendMedia(event: H3Event, file: { id: string; mime: string } | null) {
  const { media } = await useMedia()
  const size = file && (await media.size(file.id))
  if (!file || size === null) throw problemError(404, 'There is no such media file.')
  setResponseHeaders(event, {
    'content-type': file.mime,
    'cache-control': 'public, max-age=31536000, immutable',
    etag: `"${file.id}"`,
    'accept-ranges': 'bytes',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
    'cross-origin-resource-policy': 'same-origin',
  })
  if (getHeader(event, 'if-none-match') === `"${file.id}"`) {
    setResponseStatus(event, 304)
    return null
  }
  const span = byteRange(getHeader(event, 'range'), size)
  if (span === 'outside') {
    setResponseHeaders(event, { 'content-range': `bytes */${size}` })
    throw problemError(416, `The file has ${size} bytes.`)
  }
  if (span) {
    setResponseStatus(event, 206)
    setResponseHeaders(event, { 'content-range': `bytes ${span.first}-${span.last}/${size}` })
  }
  setResponseHeaders(event, { 'content-length': span ? span.last - span.first + 1 : size })
  return sendStream(event, await media.stream(file.id, span))
}
