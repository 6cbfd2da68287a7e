import type { ListChange } from './listChange.ts'
import type { RunView, StudioView } from './triggers.ts'
import type { DeskView, PlayView, RidgeView, SourceView } from './views.ts'

/** What the screens of a channel show of what happens now. */
export interface ChannelLive {
  ridge: RidgeView
  desks: DeskView[]
  /** Who shows the boards of the channel. */
  boards: { boardId: string; sources: SourceView[] }[]
  /** Counts up with every change of the media library. */
  libraryRevision: number
  /** The database does not answer, or has no room: what is shown here is what was known before. Null while all is well. */
  databaseTrouble: 'gone' | 'full' | null
  /** Whether anything is read aloud. */
  voicesAreOn: boolean
  calls: CallsLive
  /** Counts up with every change of goals, or of what they have. */
  goalsRevision: number
  /** Counts up with every change of what came of sponsors. */
  sponsorsRevision: number
}

/** What viewers set off, as it stands. */
export interface CallsLive {
  /** Counts up with every change of triggers, rewards or points: what is listed of them is read anew. */
  revision: number
  armed: number
  /** What runs, waits for its turn, or came last; the newest first. */
  runs: RunView[]
  /** What waits for somebody's hands, the earliest first. */
  tasks: RunView[]
  /** What has a button on the desk. */
  buttons: { id: string; name: string; key: string | null }[]
  studio: StudioView
}

/** What differs between two moments; what is left out is as it was. */
export interface LiveChange extends Partial<Omit<ChannelLive, 'desks'>> {
  /** The boxes in their order, where that changed. */
  boxIds?: string[]
  /** Of desks that changed, and of those that are new against an empty one. */
  desks?: DeskChange[]
}

export interface DeskChange extends Partial<Pick<DeskView, 'isHeld' | 'waitingCount' | 'current'>> {
  boxId: string
  waiting?: ListChange<PlayView>
  log?: ListChange<PlayView>
  sources?: ListChange<SourceView>
}

/**
 * What the live stream of a channel carries. `stream` names a run of messages that count up by one; the first of a run, and
 * the first after some were left out for a reader who was slow, is whole. Whoever misses one asks for the whole.
 */
export type LiveMessage = { stream: string; seq: number; serverNowMs: number } & (
  { whole: ChannelLive } | { change: LiveChange }
)
