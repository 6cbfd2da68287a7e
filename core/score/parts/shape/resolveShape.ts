import { resolveInk } from '../../../look/resolveStyle.ts'
import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import { outlinePath } from './outlinePath.ts'
import type { Shape } from './schema.ts'

export interface ResolvedShape extends ResolvedVisible {
  kind: 'shape'
  widthPx: number
  heightPx: number
  path: string
  fill: string | null
  strokePx: number
  strokeInk: string
}

export function resolveShape(part: Shape, times: SolvedClip, { look }: PartContext): ResolvedShape {
  const { widthPx, heightPx } = part
  return {
    kind: 'shape',
    ...settleVisible(part, times, look),
    widthPx,
    heightPx,
    path: outlinePath(part.form, widthPx, heightPx, part.cornerPx),
    fill: part.fill && resolveInk(part.fill, look),
    strokePx: part.stroke.widthPx,
    strokeInk: resolveInk(part.stroke.ink, look),
  }
}
