import type { CanonicalEvent } from '../events/schema.ts'
import type { Refusal } from '../gate/askGate.ts'
import type { CalledPlay } from '../response/calledPlay.ts'
import type { TriggerCall } from '../triggers/callsOf.ts'

/** What became of somebody who set a trigger off. */
export interface RehearsedCall {
  triggerId: string
  /** Which of the night's events; null: a given time came. */
  at: number | null
  atMs: number
  by: TriggerCall['by']
  viewerName: string
  /** `released`: it never began, and what it took was given back. `open`: it goes on when the night is over. */
  end: 'refused' | 'ran' | 'released' | 'open'
  /** Why, in words; empty where it ran. */
  reason: string
  /** Which question of the gate said no; null where none did. */
  refusal: Refusal | null
  /** In the channel's points. */
  cost: number
  beganMs: number | null
  /** What could not be done of it. */
  faults: readonly string[]
  /** How many were left after it; null where there is no stock. */
  left: number | null
}

/** An alert that a run sheet plays. */
export interface SheetPlay {
  /** Which of the calls. */
  call: number
  boxId: string
  at: number | null
  atMs: number
  /** What it is shown for. */
  event: CanonicalEvent
  play: CalledPlay
}

/** A sound that a run sheet plays by itself. */
export interface SheetSound {
  boxId: string
  fromMs: number
  untilMs: number
  mediaId: string
  trimDb: number
}

/** A line that the channel says in chat. */
export interface Said {
  atMs: number
  words: string
}

/** What became of all that viewers of a night set off. */
export interface CarriedOut {
  readonly calls: readonly RehearsedCall[]
  /** By their ids in the lines. */
  readonly plays: ReadonlyMap<string, SheetPlay>
  readonly sounds: readonly SheetSound[]
  readonly said: readonly Said[]
}

/** Nobody set anything off. */
export const nothingCalled: CarriedOut = { calls: [], plays: new Map(), sounds: [], said: [] }
