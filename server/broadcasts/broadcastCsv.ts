import Papa from 'papaparse'
import type { BroadcastReportView } from '../../contract/broadcasts.ts'
import { kindOf } from '../../core/events/kinds.ts'
import { harmless } from '../http/harmless.ts'

/** What came of each kind in each slot of a broadcast, and how much of it each box showed something: a row a slot. */
export function broadcastCsv({ broadcast, report, boxNames }: BroadcastReportView): string {
  const { kinds, boxes, slotMs } = report
  const slots = Math.max(1, ...kinds.map(({ perSlot }) => perSlot.length))
  const rows = Array.from({ length: slots }, (_, slot) => [
    new Date(broadcast.beganAtMs + slot * slotMs).toISOString(),
    slotMs / 60_000,
    ...kinds.map(({ perSlot }) => perSlot[slot] ?? 0),
    ...boxes.map(({ shareOfSlot }) => ((shareOfSlot[slot] ?? 0) * 100).toFixed(1)),
  ])
  const columns = [
    ...['from', 'minutes'],
    ...kinds.map(({ kind }) => kindOf(kind).name),
    ...boxes.map(({ boxId }) => harmless(`% on air: ${boxNames[boxId] ?? boxId}`)),
  ]
  return `${Papa.unparse([columns, ...rows])}\r\n`
}
