import type { FeedAdapter } from './adapter.ts'
import { cedar } from './adapters/cedar/cedar.ts'

/** Every platform that can be linked. Adding one = one adapter folder and one line here. */
const adapters: readonly FeedAdapter[] = [cedar]

export function adapterOf(platform: string): FeedAdapter {
  const found = adapters.find((adapter) => adapter.platform === platform)
  if (!found) throw new Error(`There is no adapter for the platform ${platform}`)
  return found
}
