import type { SourceRooms } from './sourceRooms.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of browser sources. */
export interface SourcesPort {
  rooms: SourceRooms
  /** Closes every source of a box, wherever it is connected. */
  closeSources: (boxId: string, code: number, reason: string) => void
}

export const { provide: provideSources, use: useSources } = definePort<SourcesPort>('Browser sources')
