import type { TellingOfBoard } from '../../core/board/slice.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'

/** A sponsor's line that a board was told, and until when it stands there. Epoch milliseconds. */
export interface StandingLine {
  id: string
  atMs: number
  untilMs: number
}

/** The lines that the parts of a board show, or showed last. */
export const linesOf = ({ parts }: Pick<ResolvedScore, 'parts'>, told: TellingOfBoard): StandingLine[] =>
  parts.flatMap((part) => {
    const last = part.kind === 'sponsor' ? told.get(part.wantKey)?.at(-1)?.slice : undefined
    const row = last?.of === 'rows' ? last.rows[0] : undefined
    if (part.kind !== 'sponsor' || !row || row.atMs === null) return []
    return [{ id: row.id, atMs: row.atMs, untilMs: row.atMs + part.standsS * 1000 }]
  })

/** Whoever comes later than that has not seen the whole of a line. */
const lateMs = 3_000
/** Whoever has not looked for so long was away: a page that is not drawn is not seen. */
const blinkMs = 2_500

/** Says which lines were shown from their beginning to their end, without a break. Each once. */
export class LineWatch {
  private readonly watched = new Map<string, { isWhole: boolean; lookedMs: number; isTold: boolean }>()

  /** Looks once. @returns the lines whose time is over now, and that were there for all of it */
  look(lines: readonly StandingLine[], nowMs: number, isVisible: boolean): string[] {
    const there = new Set(lines.map(({ id }) => id))
    for (const id of [...this.watched.keys()]) if (!there.has(id)) this.watched.delete(id)
    return lines.flatMap(({ id, atMs, untilMs }) => {
      const known = this.watched.get(id)
      const before = known ?? { isWhole: nowMs - atMs <= lateMs, lookedMs: nowMs, isTold: false }
      const isWhole = before.isWhole && (before.isTold || (isVisible && nowMs - before.lookedMs <= blinkMs))
      const isDone = isWhole && nowMs >= untilMs
      this.watched.set(id, { isWhole, lookedMs: nowMs, isTold: before.isTold || isDone })
      return isDone && !before.isTold ? [id] : []
    })
  }
}
