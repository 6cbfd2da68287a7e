import type { StudioOrder, StudioSaid } from '../../contract/studioLink.ts'
import type { RunTask } from '../../contract/triggers.ts'
import type { PointsEntry } from '../db/queries/runs.ts'

/** Something that is to be done about what viewers of a channel set off; by whoever carries out its lane. */
export type CallAct =
  /** Something was asked for. */
  | { do: 'wake' }
  /** The studio said something. */
  | { do: 'studioSaid'; linkId: string; said: StudioSaid }
  /** Has the studio do something at once. Answers why it could not; null where it did. */
  | { do: 'order'; order: StudioOrder }
  /** How the studio stands. */
  | { do: 'studio' }
  | { do: 'stopRun'; runId: string; by: string }
  | { do: 'stopAll'; by: string }
  /** Plays a plan against the simulated studio. Answers why it cannot; null where it begins. */
  | { do: 'dryRun'; triggerId: string; by: string }
  /** How many of a trigger are left. */
  | { do: 'setStock'; triggerId: string; left: number | null }
  /** Somebody gives points, or takes them. Answers whether there were enough. */
  | { do: 'givePoints'; entry: Omit<PointsEntry, 'at'> }
  /** Points that were earned, each for something that it is earned for once. */
  | { do: 'earned'; entries: Omit<PointsEntry, 'at'>[] }
  | { do: 'task'; runId: string; task: Exclude<RunTask, 'waiting'>; by: string }
