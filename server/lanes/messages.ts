import type { Lane } from '../../core/response/lane.ts'
import type { QueueInput } from '../../core/queue/state.ts'
import type { ToSource } from '../../contract/sourceMessages.ts'
import type { LiveTopic } from '../live/topic.ts'
import type { LaneView } from '../queue/laneView.ts'
import type { BoxAct } from '../queue/boxAct.ts'
import type { CallAct } from '../triggers/callAct.ts'
import type { ToStudio } from '../../contract/studioLink.ts'
import type { ConnectedView, KnownSource } from '../realtime/sourceRooms.ts'

/** What can be done in a lane: by its owner. */
export type LaneAct = BoxAct | CallAct

/** What the processes that share a database say to each other. Each may be lost: see `Bus`. */
export type BusMessage =
  /**
   * Plays were written for lanes that somebody else carries out (null: more than fit into a message), and viewers of channels
   * have set something off.
   */
  | { type: 'wake'; plays: { boxId: string; playId: string }[] | null; channels: string[] }
  /** The sender carries these lanes out from now on. */
  | { type: 'taken'; lanes: Lane[] }
  /** The sender stops: its lanes are free. */
  | { type: 'left' }
  /** Of boxes that the receiver carries out, all sources that are connected to the sender. */
  | { type: 'roster'; boxes: { boxId: string; sources: KnownSource[] }[] }
  /** What a source of the sender's said. */
  | { type: 'input'; boxId: string; input: QueueInput }
  /** Something for sources of the receiver's. */
  | { type: 'toSources'; boxId: string; sourceIds: string[]; message: ToSource }
  /** Sources of a box, wherever they are connected, are to go. */
  | { type: 'closeBox'; boxId: string; code: number; reason: string }
  /** Something to be done in a lane by its owner, who answers under the same number. */
  | { type: 'ask'; number: number; lane: Lane; act: LaneAct }
  | { type: 'answer'; number: number; value: unknown }
  /** What is kept at hand of a channel, or of a feed, is not true any more. */
  | { type: 'forget'; channelId: string | null; feedId: string | null }
  /** Something of a channel's media has changed. */
  | { type: 'library'; channelId: string }
  /** Screens of a channel show something else now. */
  | { type: 'changed'; channelId: string; topics: LiveTopic[] }
  /** The sender has screens open of these channels, for a while. */
  | { type: 'watch'; channelIds: string[] }
  /** How the line of a box stands. */
  | { type: 'lane'; channelId: string; view: LaneView }
  /** The sources of a box that are connected to the sender. */
  | { type: 'sources'; channelId: string; boxId: string; sources: ConnectedView[] }
  /** Something for the studio of a channel, which may be connected to the receiver. */
  | { type: 'toStudio'; channelId: string; message: ToStudio }
  /** Something happened in a channel that its boards may show. */
  | { type: 'happened'; channelId: string }
  /** Somebody signed out. */
  | { type: 'sessionEnded'; sessionId: string }
