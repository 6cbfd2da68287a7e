import * as z from 'zod'
import type { BegunBy, EndedBy } from '../core/broadcast/foldBroadcast.ts'
import type { BroadcastReport } from '../core/broadcast/report.ts'

/** A broadcast of a channel; `endedAtMs` null: it goes on. */
export interface BroadcastView {
  id: string
  beganAtMs: number
  begunBy: BegunBy
  endedAtMs: number | null
  endedBy: EndedBy | null
}

/** Newest first. */
export interface BroadcastsView {
  broadcasts: BroadcastView[]
}

export interface BroadcastReportView {
  broadcast: BroadcastView
  report: BroadcastReport
  boxNames: Record<string, string>
}

export const broadcastNowBody = z.object({ isOn: z.boolean() })
