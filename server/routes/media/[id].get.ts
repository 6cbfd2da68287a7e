import { defineEventHandler, getHeader, setResponseHeaders, setResponseStatus } from 'h3'
import { findMedia } from '../../db/queries/media.ts'
import { byteRange } from '../../http/byteRange.ts'
import { pathId } from '../../http/pathId.ts'
import { problemError } from '../../system/problemError.ts'
import { useServices } from '../../system/services.ts'

/**
 * A media file. Its address is the hash of its content: nobody guesses it, and it can be cached for good. Sources have no
 * cookie to show, so whoever has the address may read the file, and nothing in it can run.
 */
export default defineEventHandler(async (event) => {
  const id = pathId(event, 'id')
  const { database, media } = await useServices()
  const facts = await findMedia(database.db, id)
  const bytes = facts ? await media.read(id) : null
  if (!facts || !bytes) throw problemError(404, 'There is no such media file.')
  setResponseHeaders(event, {
    'content-type': facts.mime,
    'cache-control': 'public, max-age=31536000, immutable',
    etag: `"${id}"`,
    'accept-ranges': 'bytes',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
  })
  if (getHeader(event, 'if-none-match') === `"${id}"`) {
    setResponseStatus(event, 304)
    return null
  }
  const range = byteRange(getHeader(event, 'range'), bytes.length)
  if (range === 'outside') {
    setResponseHeaders(event, { 'content-range': `bytes */${bytes.length}` })
    throw problemError(416, `The file has ${bytes.length} bytes.`)
  }
  if (!range) return bytes
  setResponseStatus(event, 206)
  setResponseHeaders(event, { 'content-range': `bytes ${range.first}-${range.last}/${bytes.length}` })
  return bytes.subarray(range.first, range.last + 1)
})
