import type { ToSource } from '../../contract/sourceMessages.ts'
import type { SourceRooms } from './sourceRooms.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of browser sources. */
export interface SourcesPort {
  rooms: SourceRooms
  /** Tells sources of a box something, wherever they are connected; null: all of them. */
  tellSources: (boxId: string, sourceIds: readonly string[] | null, message: ToSource) => void
  /** Closes every source of a box, wherever it is connected. */
  closeSources: (boxId: string, code: number, reason: string) => void
}

export const { provide: provideSources, use: useSources } = definePort<SourcesPort>('Browser sources')
