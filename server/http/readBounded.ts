import { getHeader, type H3Event } from 'h3'
import { problemError } from '../system/problemError.ts'

/**
 * Reads a request body, giving up as soon as it is larger than allowed instead of gathering it first.
 * @throws 413 as a problem document
 */
export async function readBounded(event: H3Event, maxBytes: number): Promise<string> {
  const tooLarge = () =>
    problemError(413, `The body is larger than ${Math.round(maxBytes / 1024)} KiB. Send it in smaller pieces.`)
  if (Number(getHeader(event, 'content-length') ?? 0) > maxBytes) throw tooLarge()
  const chunks: Buffer[] = []
  let bytes = 0
  for await (const chunk of event.node.req) {
    bytes += (chunk as Buffer).length
    if (bytes > maxBytes) throw tooLarge()
    chunks.push(chunk as Buffer)
  }
  return Buffer.concat(chunks).toString('utf8')
}
