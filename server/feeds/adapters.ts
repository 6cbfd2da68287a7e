import type { Platform } from '../../core/events/platforms.ts'
import type { FeedAdapter } from './adapter.ts'
import { alder } from './adapters/alder/alder.ts'
import { birch } from './adapters/birch/birch.ts'
import { cedar } from './adapters/cedar/cedar.ts'
import { till } from './adapters/till/till.ts'

/** How each platform is understood: one folder each, which passes the conformance tests. */
export const adapters = { alder, birch, cedar, till } satisfies Record<Platform, FeedAdapter>

export function adapterOf(platform: string): FeedAdapter {
  const found = (adapters as Record<string, FeedAdapter | undefined>)[platform]
  if (!found) throw new Error(`There is no adapter for the platform ${platform}`)
  return found
}
