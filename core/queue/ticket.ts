import type { PlayFacts } from './facts.ts'

/** With how many others a play is shown, itself among them, and what they bring together. */
export interface Together {
  count: number
  total: number | null
}

/** A play in the queue. */
export interface Ticket {
  playId: string
  enqueuedAtMs: number
  /** As it usually is; once it has begun, as it is. */
  lengthMs: number
  /** Somebody has to let it be read first; others pass it meanwhile. */
  isAwaiting?: boolean
  /** Absent: nothing is known that a policy could ask. */
  facts?: PlayFacts | null
  /** Absent: it is alone. */
  together?: Together
  /** Of gifts that were promised so many, those that came. */
  brought?: number
  /** It plays at its short end, as much was waiting. */
  isShort?: boolean
}
