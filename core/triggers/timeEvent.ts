import type { CanonicalEvent } from '../events/schema.ts'
import { clockSource } from './callsOf.ts'

/** A given time that has come, for one trigger: the same each time that it is said. */
export function timeEvent(triggerId: string, title: string, atMs: number): CanonicalEvent {
  return {
    ...{ source: clockSource, externalId: `${triggerId}-${atMs}`, kind: 'redemption', occurredAtMs: atMs },
    data: { viewer: null, reward: { id: triggerId, title, costPoints: 0 } },
  }
}
