import type { FeedAdapter } from './adapter.ts'
import { alder } from './adapters/alder/alder.ts'
import { birch } from './adapters/birch/birch.ts'
import { cedar } from './adapters/cedar/cedar.ts'
import { till } from './adapters/till/till.ts'

/**
 * Every platform that can be linked. Adding one = one adapter folder that passes the conformance tests, and one line
 * here.
 */
export const adapters: readonly FeedAdapter[] = [alder, birch, cedar, till]

export function adapterOf(platform: string): FeedAdapter {
  const found = adapters.find((adapter) => adapter.platform === platform)
  if (!found) throw new Error(`There is no adapter for the platform ${platform}`)
  return found
}
