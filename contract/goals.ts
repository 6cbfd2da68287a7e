import * as z from 'zod'
import { goal, type Goal } from '../core/goal/schema.ts'
import type { Contribution } from '../core/goal/contribution.ts'
import type { GoalStanding } from '../core/goal/standing.ts'
import type { EventKind } from '../core/events/kinds.ts'

/** A change of a goal's amount by hand. */
export interface CorrectionView {
  id: string
  amount: number
  why: string
  byName: string
  atMs: number
}

export interface GoalView {
  goal: Goal
  revision: number
  /** All that it has: what was there at the start, what events bring, and corrections. */
  amount: number
  /** What events bring. */
  sum: number
  standing: GoalStanding
  corrections: CorrectionView[]
  /** Since when it is among the past ones; null: it goes on. */
  endedAtMs: number | null
}

export interface GoalsView {
  /** Those that go on, by when they begin. */
  goals: GoalView[]
  /** The newest first. */
  past: GoalView[]
}

/** An event that a goal counts, or would. */
export interface ContributionView extends Contribution {
  seq: number
  kind: EventKind
  /** Empty where nobody is named. */
  name: string
  atMs: number
}

export interface ContributionsView {
  contributions: ContributionView[]
  /** Where to go on: those before it; null at the end. */
  nextBefore: number | null
}

export const newGoalBody = z.object({ goal: z.looseObject({}) })
export const changeGoalBody = z.object({ goal, revision: z.int().min(0) })
export const correctionBody = z.object({
  /** Asked for twice by the same id, it is there once. */
  requestId: z.string().min(1).max(80),
  amount: z
    .int()
    .min(-1_000_000_000_000)
    .max(1_000_000_000_000)
    .refine((amount) => amount !== 0, 'a correction changes something'),
  why: z.string().trim().min(1, 'a correction has a reason').max(200),
})
