import { floodOutcome, type Arrival, type FloodOutcome } from '../../core/queue/flood.ts'
import { plainPolicy, readyPolicy, type BoxPolicy } from '../../core/queue/policy.ts'

export interface FloodQuestion {
  arrivals: readonly Arrival[]
  /** Null: one after another, as without any. */
  air: BoxPolicy | null
  draft: BoxPolicy
}

export interface FloodAnswer {
  air: FloodOutcome
  draft: FloodOutcome
}

self.addEventListener('message', ({ data: { arrivals, air, draft } }: MessageEvent<FloodQuestion>) => {
  const outcome = (policy: BoxPolicy | null) => floodOutcome(arrivals, policy ? readyPolicy(policy) : plainPolicy)
  self.postMessage({ air: outcome(air), draft: outcome(draft) } satisfies FloodAnswer)
})
