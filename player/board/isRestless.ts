import type { TellingOfBoard } from '../../core/board/slice.ts'
import type { ResolvedPart, ResolvedScore } from '../../core/score/resolved.ts'

/** Whether a part moves for as long as it is there, whatever it is told. */
function moves(part: ResolvedPart, told: TellingOfBoard): boolean {
  if (part.kind === 'ticker' || part.kind === 'particles') return true
  if (part.kind === 'picture') return part.naturalMs !== null && part.naturalMs > 0
  if (part.kind === 'list') return part.form === 'running'
  if (part.kind !== 'chat' || part.fadesAfterS === null) return false
  const last = told.get(part.wantKey)?.at(-1)?.slice
  return last?.of === 'rows' && last.rows.length > 0
}

/** Whether a board has to be drawn in every frame: a calm one costs the machine of a broadcast next to nothing. */
export const isRestless = ({ parts }: Pick<ResolvedScore, 'parts'>, told: TellingOfBoard): boolean =>
  parts.some((part) => moves(part, told))
