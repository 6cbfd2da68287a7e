import { viewerIdOf } from '../events/viewerIdOf.ts'
import type { BoxPart } from './figures.ts'
import type { Night } from './night.ts'

/** How it went for one viewer in a night. */
export interface ViewerWaits {
  viewerId: string
  name: string
  /** How often something of theirs was shown, by itself or shared. */
  shown: number
  /** How often it was let go or refused. */
  unshown: number
  longestMs: number
  /** Which of the night's events waited longest. */
  longestAt: number
}

/**
 * What each viewer of a night waited: from when something of theirs came until it, or the alert that it shares, began. Who waited
 * longest comes first; of those the ones of whom most was never shown. n log n in the viewers.
 */
export function viewerWaitsOf(night: Night, parts: readonly BoxPart[]): ViewerWaits[] {
  const viewers = new Map<string, ViewerWaits>()
  for (const { items, played } of parts)
    for (const { at, playId, isRefused } of items) {
      const of = night.events[at]
      const viewerId = of && viewerIdOf(of.event)
      if (!of || !viewerId || (playId === null && !isRefused)) continue
      const own =
        viewers.get(viewerId) ??
        ({
          viewerId,
          name: of.event.data.viewer?.name ?? '',
          shown: 0,
          unshown: 0,
          longestMs: 0,
          longestAt: at,
        } as const)
      const end = playId === null ? undefined : played.ends.get(playId)
      const shown = playId === null ? undefined : played.shown.get(end?.into ?? playId)
      const lateMs = shown ? Math.max(0, shown.fromMs - of.atMs) : 0
      viewers.set(viewerId, {
        ...own,
        shown: own.shown + (shown ? 1 : 0),
        unshown: own.unshown + (shown ? 0 : 1),
        ...(lateMs > own.longestMs || own.shown + own.unshown === 0 ? { longestMs: lateMs, longestAt: at } : {}),
      })
    }
  return [...viewers.values()].sort((a, b) => b.longestMs - a.longestMs || b.unshown - a.unshown)
}
