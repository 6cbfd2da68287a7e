import type { CanonicalEvent } from './schema.ts'

/** A viewer wherever ids of viewers are told apart by where they come from. */
export const viewerIdOf = (event: Pick<CanonicalEvent, 'source' | 'data'>): string | null =>
  event.data.viewer && `${event.source}/${event.data.viewer.id}`
