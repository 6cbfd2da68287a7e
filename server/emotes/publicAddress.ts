import { lookup } from 'node:dns'
import { BlockList, isIP, isIPv6, type LookupFunction } from 'node:net'

/** Addresses behind which is this machine, its neighbours, or nobody (IANA's special-purpose registries). */
const inside = new BlockList()
for (const [address, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4],
] as const)
  inside.addSubnet(address, bits, 'ipv4')
for (const [address, bits] of [
  ['::', 96],
  ['64:ff9b::', 96],
  ['64:ff9b:1::', 48],
  ['100::', 64],
  ['2001::', 23],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['fc00::', 7],
  ['fe80::', 10],
  ['fec0::', 10],
  ['ff00::', 8],
] as const)
  inside.addSubnet(address, bits, 'ipv6')

/** Whether a host is written in figures that may not be connected to: no name is looked up for it, so it has to be looked at. */
export function isInside({ hostname }: URL, isAllowed: (address: string) => boolean): boolean {
  const literal = hostname.replace(/^\[|\]$/g, '')
  return isIP(literal) !== 0 && !isAllowed(literal)
}

/** Whether an address is one of the open net. */
export function isPublicAddress(address: string): boolean {
  if (isIP(address) === 0) return false
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)?.[1]
  if (mapped) return isPublicAddress(mapped)
  // An address of the old form may be written in hexadecimal inside one of the new.
  if (/^::ffff:/i.test(address)) return false
  return !inside.check(address, isIPv6(address) ? 'ipv6' : 'ipv4')
}

/**
 * Finds the address of a name for a connection, and gives only public ones: the connection goes to what was looked at, not to
 * what the name leads to a moment later.
 */
export const lookupPublic: LookupFunction = (name, options, done) => {
  lookup(name, { ...options, all: true }, (error, found) => {
    if (error) return done(error, '', 0)
    const open = found.filter(({ address }) => isPublicAddress(address))
    const [first] = open
    if (!first) return done(Object.assign(new Error(`${name} leads to no public address`), { code: 'EACCES' }), '', 0)
    if (options.all) return (done as unknown as (error: null, all: typeof open) => void)(null, open)
    done(null, first.address, first.family)
  })
}
