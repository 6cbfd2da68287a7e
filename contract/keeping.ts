import * as z from 'zod'
import { keeping, type Keeping } from './channelSettings.ts'
import { historyFilter } from './history.ts'

export interface RoomPart {
  count: number
  bytes: number
}

/** What a channel takes, and how much room there is. */
export interface RoomView {
  media: RoomPart
  /** Files that are out of the library and that nothing uses any more: they can go. */
  unused: RoomPart & { names: string[] }
  history: RoomPart
  versions: RoomPart
  /** Recordings of what was read aloud, of all channels: the oldest go by themselves. */
  recordings: RoomPart
  /** Backups of all of the server, taken by night. */
  nights: { atMs: number; bytes: number }[]
  /** Whether this server takes them by itself. */
  hasNights: boolean
  freeBytes: number
  /** How much its media may take; null: as much as there is room. */
  quotaBytes: number | null
  keeping: Keeping
}

export const keepingBody = keeping
/** What would go at once if things were kept so long. */
export interface OlderView {
  events: number
  versions: number
}
/** Days as they stand in an address; absent: for good. */
export const olderQuery = z.object({
  historyDays: z.coerce.number().int().min(30).max(3_650).optional(),
  versionDays: z.coerce.number().int().min(30).max(3_650).optional(),
})

/** Who is to be forgotten, as their events name them. */
export const forgetBody = z.object({
  source: historyFilter.shape.source.unwrap(),
  viewer: historyFilter.shape.viewer.unwrap(),
})
export interface ForgottenView {
  events: number
  recordings: number
}
