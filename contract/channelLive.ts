import type { DeskView, RidgeView } from './views.ts'

/** What the live stream of a channel carries: always the whole truth, never a difference that could be missed. */
export interface ChannelLive {
  serverNowMs: number
  ridge: RidgeView
  desks: DeskView[]
  /** Counts up with every change of the media library. */
  libraryRevision: number
  /** The database does not answer, or has no room: what is shown here is what was known before. Null while all is well. */
  databaseTrouble: 'gone' | 'full' | null
  /** Whether anything is read aloud. */
  voicesAreOn: boolean
}
