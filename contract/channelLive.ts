import type { DeskView, RidgeView } from './views.ts'

/** What the live stream of a channel carries: always the whole truth, never a difference that could be missed. */
export interface ChannelLive {
  serverNowMs: number
  ridge: RidgeView
  desks: DeskView[]
  /** Counts up with every change of the media library. */
  libraryRevision: number
  /** Whether anything is read aloud. */
  voicesAreOn: boolean
}
