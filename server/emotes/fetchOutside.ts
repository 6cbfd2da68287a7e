import { request as requestPlain, type IncomingMessage } from 'node:http'
import { request as requestSafe } from 'node:https'
import type { LookupFunction } from 'node:net'
import { isInside, isPublicAddress, lookupPublic } from './publicAddress.ts'

export interface FetchLimits {
  maxBytes: number
  withinMs: number
  /** How a name's address is found; only what it gives is connected to. */
  lookup?: LookupFunction
  /** Whether an address in figures may be connected to. */
  isAllowed?: (address: string) => boolean
}

const redirectsMost = 2
const ports = new Set(['', '80', '443', '8080', '8443'])

/**
 * Fetches something from the open net, for a page that must not ask for it itself: nothing of this network, nothing large,
 * nothing slow, and nothing of whoever watches is told.
 * @throws Error that says what was wrong
 */
export async function fetchOutside(url: string, limits: FetchLimits): Promise<Buffer> {
  const signal = AbortSignal.timeout(limits.withinMs)
  let next = new URL(url)
  for (let hops = 0; hops <= redirectsMost; hops++) {
    const answer = await ask(next, limits, signal)
    const status = answer.statusCode ?? 0
    if (status >= 300 && status < 400 && answer.headers.location) {
      answer.destroy()
      next = new URL(answer.headers.location, next)
      continue
    }
    if (status !== 200) {
      answer.destroy()
      throw new Error(`it answered ${status}`)
    }
    return readUpTo(answer, limits.maxBytes)
  }
  throw new Error('it leads on and on')
}

function ask(url: URL, { lookup = lookupPublic, isAllowed = isPublicAddress }: FetchLimits, signal: AbortSignal) {
  const { protocol, port, username } = url
  if (protocol !== 'http:' && protocol !== 'https:') throw new Error('it is no address of the web')
  if (username !== '' || (!ports.has(port) && isAllowed === isPublicAddress))
    throw new Error('its address is none for a picture')
  if (isInside(url, isAllowed)) throw new Error('it lies inside a network')
  const request = protocol === 'https:' ? requestSafe : requestPlain
  return new Promise<IncomingMessage>((resolve, reject) => {
    request(url, { lookup, signal, headers: { accept: 'image/*', 'user-agent': 'Thundercrest' }, agent: false })
      .once('response', resolve)
      .once('error', reject)
      .end()
  })
}

async function readUpTo(answer: IncomingMessage, maxBytes: number): Promise<Buffer> {
  const pieces: Buffer[] = []
  let length = 0
  for await (const piece of answer as AsyncIterable<Buffer>) {
    length += piece.length
    if (length > maxBytes) {
      answer.destroy()
      throw new Error(`it is larger than ${Math.round(maxBytes / 1024)} KiB`)
    }
    pieces.push(piece)
  }
  return Buffer.concat(pieces)
}
