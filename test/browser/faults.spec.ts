import { expect, test } from '@playwright/test'
import { hasPostgres } from '../arrange/postgres.ts'
import { runScenario, scenarios } from '../faults/scenarios.ts'

// In short; `npm run faults -- --long` takes its time.
for (const scenario of scenarios)
  for (const kind of scenario.inSuite ?? []) {
    // Where there is no PostgreSQL, or no small disk can be had, there is nothing to look at.
    if ((kind === 'server' && !hasPostgres) || scenario.isPossible?.() === false) continue
    test(`${scenario.name}, ${kind}: nothing that was acknowledged is lost, nothing is shown twice or late`, async () => {
      test.slow()
      const { sent, acknowledged, kept, twice, missing, late, open, leaks, notes } = await runScenario(
        scenario,
        kind,
        false,
      )
      expect({ acknowledged, kept, twice, missing, late, open, leaks }, notes.join('; ')).toEqual({
        acknowledged: sent,
        kept: sent,
        twice: 0,
        missing: 0,
        late: 0,
        open: 0,
        leaks: 0,
      })
      expect(notes.join()).not.toContain('left out')
      if (scenario.name === 'the disk full') expect(notes.join()).toContain('/readyz 507 meanwhile, running')
      if (scenario.name.startsWith('the database down')) expect(notes.join()).toContain('/readyz 503 meanwhile')
    })
  }
