import { noCurrency } from '../../core/events/kindParts.ts'
import type { Goal } from '../../core/goal/schema.ts'
import type { Reached } from '../../core/goal/standing.ts'
import type { IncomingEvent } from '../ingest/decideEvents.ts'

/** Where events come from that happen by themselves because of a goal. */
/** What events of goals come from. */
export const goalsSource = 'goals'

const dataOf = ({ title, measure }: Goal, target: number, currency: string) => ({
  viewer: null,
  goalTitle: title,
  targetMinor: target,
  currency: measure.of === 'money' ? currency : noCurrency,
})

/** A goal begins: said again, it is the same event. */
export const startedEvent = (goal: Goal, currency: string): IncomingEvent => ({
  ...{ source: goalsSource, externalId: `${goal.id}:started`, kind: 'goalStarted', isTest: false },
  occurredAtMs: goal.fromMs,
  data: dataOf(goal, goal.target, currency),
})

/** A target is reached: said again, it is the same event. */
export const reachedEvent = (
  goal: Goal,
  { target, round }: Reached,
  currency: string,
  occurredAtMs: number,
): IncomingEvent => ({
  ...{ source: goalsSource, externalId: `${goal.id}:reached:${target}:${round}`, kind: 'goalReached', isTest: false },
  occurredAtMs,
  data: dataOf(goal, target, currency),
})
