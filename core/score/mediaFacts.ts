import type { MediaAddress } from './resolved.ts'

/** What is known of a media file. `durationMs` is null for stills. */
export interface MediaFacts extends MediaAddress {
  durationMs: number | null
}
