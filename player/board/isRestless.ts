import type { TellingOfBoard } from '../../core/board/slice.ts'
import type { ResolvedPart, ResolvedScore } from '../../core/score/resolved.ts'

/** After its time a line is still on its way out. */
const leavingMs = 1_500

/** Whether a part moves for as long as it is there, whatever it is told. */
function moves(part: ResolvedPart, told: TellingOfBoard, nowMs: number): boolean {
  if (part.kind === 'ticker' || part.kind === 'particles') return true
  if (part.kind === 'picture') return part.naturalMs !== null && part.naturalMs > 0
  if (part.kind === 'list') return part.form === 'running'
  if (part.kind !== 'sponsor' && (part.kind !== 'chat' || part.fadesAfterS === null)) return false
  const last = told.get(part.wantKey)?.at(-1)?.slice
  if (last?.of !== 'rows') return false
  return part.kind === 'chat'
    ? last.rows.length > 0
    : last.rows.some(({ atMs }) => (atMs ?? 0) + part.standsS * 1000 + leavingMs > nowMs)
}

/**
 * Whether a board has to be drawn in every frame: a calm one costs the machine of a broadcast next to nothing.
 * @param nowMs epoch milliseconds
 */
export const isRestless = ({ parts }: Pick<ResolvedScore, 'parts'>, told: TellingOfBoard, nowMs: number): boolean =>
  parts.some((part) => moves(part, told, nowMs))
