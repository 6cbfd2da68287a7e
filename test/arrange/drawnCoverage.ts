import type { Ruled } from '../../core/rules/chosen.ts'
import { coverageOf } from '../../core/rules/coverage.ts'
import { isDrawn, type DrawnCoverage } from '../../core/rules/isDrawn.ts'
import type { Listener } from '../../core/rules/fields.ts'

/** The coverage of rules that are few enough to draw. @throws where they are not */
export function drawnCoverage(listener: Listener, variations: readonly Ruled[]): DrawnCoverage {
  const coverage = coverageOf(listener, variations)
  if (!isDrawn(coverage)) throw new Error('too many to draw')
  return coverage
}
