import { resolveInk } from '../../../look/resolveStyle.ts'
import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import type { Backdrop } from './schema.ts'

export interface ResolvedBackdrop extends ResolvedVisible {
  kind: 'backdrop'
  hugs: string[]
  widthPx: number
  heightPx: number
  paddingPx: number
  cornerPx: number
  ink: string
}

export function resolveBackdrop(part: Backdrop, times: SolvedClip, { look }: PartContext): ResolvedBackdrop {
  const { hugs, widthPx, heightPx, paddingPx, cornerPx } = part
  return {
    kind: 'backdrop',
    ...settleVisible(part, times, look),
    hugs,
    widthPx,
    heightPx,
    paddingPx,
    cornerPx,
    ink: resolveInk(part.ink, look),
  }
}
