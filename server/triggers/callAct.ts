import type { StudioOrder, StudioSaid } from '../../contract/studioLink.ts'
import type { PointsChange, RunTask } from '../../contract/triggers.ts'

/** Something that is to be done about what viewers of a channel set off; by whoever carries out its lane. */
export type CallAct =
  /** The studio said something. */
  | { do: 'studioSaid'; linkId: string; said: StudioSaid }
  /** Has the studio do something at once. Answers why it could not; null where it did. */
  | { do: 'order'; order: StudioOrder }
  /** How the studio stands. */
  | { do: 'studio' }
  | { do: 'stopRun'; runId: string; by: string }
  /** Plays a plan against the simulated studio. Answers why it cannot; null where it begins. */
  | { do: 'dryRun'; triggerId: string; by: string }
  /** How many of a trigger are left. */
  | { do: 'setStock'; triggerId: string; left: number | null }
  /** Enters changes of points, each for something that it is entered for once. Answers whether nobody has less than nothing then. */
  | { do: 'enter'; entries: PointsChange[] }
  | { do: 'task'; runId: string; task: Exclude<RunTask, 'waiting'>; by: string }
