import { settleLive, type ResolvedLiveBase } from '../../../board/resolvedLive.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SolvedClip } from '../../solve.ts'
import type { Clock } from './schema.ts'

export interface ResolvedClock extends ResolvedLiveBase {
  kind: 'clock'
  counts: Clock['counts']
  says: string
  whenOver: string
}

export function resolveClock(part: Clock, times: SolvedClip, context: PartContext): ResolvedClock {
  const { counts, says, whenOver } = part
  const isOfStream = counts.way === 'up' && counts.fromMs === null
  return {
    kind: 'clock',
    ...settleLive(part, times, context, isOfStream ? { of: 'stream' } : null),
    counts,
    says,
    whenOver,
  }
}
