import { BlockList, isIPv6 } from 'node:net'
import { readConfig, type Config } from '../system/config.ts'
import type { HostRules } from './knownHost.ts'

let rules: (HostRules & { proxies: BlockList }) | null = null

/** Under which names this server is reached, and by which proxies, as its operator says. Read once. */
export function hostRules(): HostRules & { proxies: BlockList } {
  rules ??= rulesOf(readConfig(process.env))
  return rules
}

export function rulesOf({
  HOST,
  THUNDERCREST_ADDRESSES: addresses,
  THUNDERCREST_PROXIES: proxies,
}: Pick<Config, 'HOST' | 'THUNDERCREST_ADDRESSES' | 'THUNDERCREST_PROXIES'>): HostRules & { proxies: BlockList } {
  const list = new BlockList()
  for (const each of proxies) {
    const [address = '', bits] = each.split('/')
    const family = isIPv6(address) ? 'ipv6' : 'ipv4'
    if (bits === undefined) list.addAddress(address, family)
    else list.addSubnet(address, Number(bits), family)
  }
  const names = addresses.map((each) => new URL(each).hostname.replace(/^\[|\]$/g, '').toLowerCase())
  return { names: new Set([HOST.toLowerCase(), ...names]), proxies: list }
}
