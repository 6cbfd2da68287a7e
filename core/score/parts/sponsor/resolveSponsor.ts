import { settleLive, type ResolvedLiveBase } from '../../../board/resolvedLive.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SolvedClip } from '../../solve.ts'
import type { Sponsor } from './schema.ts'

export interface ResolvedSponsor extends ResolvedLiveBase {
  kind: 'sponsor'
  standsS: number
  hasPicture: boolean
}

export function resolveSponsor(part: Sponsor, times: SolvedClip, context: PartContext): ResolvedSponsor {
  const { standsS, hasPicture } = part
  return { kind: 'sponsor', ...settleLive(part, times, context, { of: 'sponsor' }), standsS, hasPicture }
}
