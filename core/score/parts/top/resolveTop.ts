import { settleLive, type ResolvedLiveBase } from '../../../board/resolvedLive.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SolvedClip } from '../../solve.ts'
import type { Top } from './schema.ts'

export interface ResolvedTop extends ResolvedLiveBase {
  kind: 'top'
  hasRanks: boolean
  gapPx: number
}

export function resolveTop(part: Top, times: SolvedClip, context: PartContext): ResolvedTop {
  const { kinds, since, most, hasRanks, gapPx } = part
  return {
    kind: 'top',
    ...settleLive(part, times, context, { of: 'top', kinds: [...kinds], since, most }),
    ...{ hasRanks, gapPx },
  }
}
