import { fadedAt } from '../../../board/rowsState.ts'
import type { Row } from '../../../board/slice.ts'

/** How opaque a line still is, by the wall clock: wholly while it stands, then on its way out. */
export const standsFor = ({ standsS }: { standsS: number }, { atMs }: Pick<Row, 'atMs'>, nowMs: number): number =>
  fadedAt(atMs, standsS * 1000, nowMs)
