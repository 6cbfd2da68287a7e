import { settleLive, type ResolvedLiveBase } from '../../../board/resolvedLive.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SolvedClip } from '../../solve.ts'
import type { List } from './schema.ts'

export interface ResolvedList extends ResolvedLiveBase {
  kind: 'list'
  most: number
  hasAges: boolean
  form: List['form']
  newest: List['newest']
  gapPx: number
  pales: boolean
  pxPerS: number
}

export function resolveList(part: List, times: SolvedClip, context: PartContext): ResolvedList {
  const { kinds, leastMinor, most, words, hasAges, form, newest, gapPx, pales, pxPerS } = part
  return {
    kind: 'list',
    ...settleLive(part, times, context, { of: 'events', kinds, leastMinor, most, words }),
    ...{ most, hasAges, form, newest, gapPx, pales, pxPerS },
  }
}
