import { settleLive, type ResolvedLiveBase } from '../../../board/resolvedLive.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SolvedClip } from '../../solve.ts'
import type { Tally } from './schema.ts'

export interface ResolvedTally extends ResolvedLiveBase {
  kind: 'tally'
  says: string
  countsMs: number
}

export function resolveTally(part: Tally, times: SolvedClip, context: PartContext): ResolvedTally {
  const { kinds, command, since, says, countsMs } = part
  return { kind: 'tally', ...settleLive(part, times, context, { of: 'count', kinds, command, since }), says, countsMs }
}
