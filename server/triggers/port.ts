import type { StudioLinks } from '../studio/studioLinks.ts'
import { definePort } from '../system/port.ts'
import type { Calls } from './calls.ts'

/** What handlers need of what viewers set off. */
export interface CallsPort {
  calls: Calls
  studioLinks: StudioLinks
  /** Cuts a channel's studio off, wherever it is connected. */
  leaveStudio: (channelId: string, reason: string) => void
  /** Something of a channel's triggers has changed: what is kept at hand is read anew, and screens show it. */
  callsChanged: (channelId: string) => void
}

export const { provide: provideCalls, use: useCalls } = definePort<CallsPort>('What viewers set off')
