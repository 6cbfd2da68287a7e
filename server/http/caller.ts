import type { IncomingMessage } from 'node:http'
import { isIP, isIPv6, type BlockList } from 'node:net'
import type { H3Event } from 'h3'
import { hostName, isLoopbackName } from './knownHost.ts'
import { dropOldest } from '../../core/dropOldest.ts'
import { hostRules } from './hostRules.ts'

/** Whom a request comes from. */
export interface Caller {
  /** The address of whoever asks, as far as it can be believed. */
  address: string
  /** Somebody passed it on. */
  isForwarded: boolean
  /** It comes from this very machine, directly, and was meant for it. */
  isOfThisMachine: boolean
}

const forwarding = [
  'forwarded',
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-forwarded-port',
  'x-real-ip',
]

/** Whatever says that somebody passed a request on, however that somebody names itself. */
export const signsOfForwarding: readonly string[] = [...forwarding, 'via']

const plain = (address: string) => address.replace(/^::ffff:/, '')

/** Addresses that were looked up lately, by list: platforms deliver from few. */
const lookedUp = new WeakMap<BlockList, Map<string, boolean>>()
const lookedUpKept = 500

function isOf(list: BlockList, address: string): boolean {
  const known = lookedUp.get(list) ?? new Map<string, boolean>()
  lookedUp.set(list, known)
  const found = known.get(address) ?? list.check(address, isIPv6(address) ? 'ipv6' : 'ipv4')
  known.set(address, found)
  dropOldest(known, lookedUpKept)
  return found
}

/**
 * Looks at whom a request comes from, and takes out what only a trusted proxy may say. What a proxy says of who asked is
 * believed from the right: the last address that is no trusted proxy itself.
 */
export function lookAtCaller(request: Pick<IncomingMessage, 'headers' | 'socket'>, proxies: BlockList): Caller {
  const remote = plain(request.socket.remoteAddress ?? '')
  const { headers } = request
  const isForwarded = signsOfForwarding.some((name) => headers[name] !== undefined)
  const isTrusted = isIP(remote) !== 0 && isOf(proxies, remote)
  let address = remote
  if (isTrusted) {
    const passedOn = String(headers['x-forwarded-for'] ?? '')
      .split(',')
      .map((each) => plain(each.trim()))
      .filter((each) => isIP(each) !== 0)
    address = passedOn.findLast((each) => !isOf(proxies, each)) ?? remote
  } else for (const name of forwarding) delete headers[name]
  const isOfThisMachine =
    !isForwarded && isLoopbackName(remote) && isLoopbackName(hostName(headers.host) ?? 'nowhere.invalid')
  return { address, isForwarded, isOfThisMachine }
}

const callers = new WeakMap<object, Caller>()

/** Whom a request comes from. */
export function callerOf(event: H3Event): Caller {
  const { req } = event.node
  const known = callers.get(req) ?? lookAtCaller(req, hostRules().proxies)
  callers.set(req, known)
  return known
}
