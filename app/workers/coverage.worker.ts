import type { Ruled } from '../../core/rules/chosen.ts'
import { coverageOf, type Coverage } from '../../core/rules/coverage.ts'
import type { Listener } from '../../core/rules/fields.ts'
import { orderAdvice, type OrderAdvice } from '../../core/rules/reorder.ts'

export interface CoverageQuestion {
  listener: Listener
  variations: readonly Ruled[]
}

/** The coverage comes first; what would help those that others hide takes longer. */
export type CoverageAnswer = { coverage: Coverage } | { advice: OrderAdvice[] }

self.addEventListener('message', ({ data: { listener, variations } }: MessageEvent<CoverageQuestion>) => {
  const coverage = coverageOf(listener, variations)
  self.postMessage({ coverage } satisfies CoverageAnswer)
  self.postMessage({ advice: orderAdvice(listener, variations, coverage) } satisfies CoverageAnswer)
})
