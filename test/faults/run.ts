// npm run faults [-- --long] [-- --only=words]: lets the faults happen, one after another, and says what became of what was sent.
import { hasPostgres } from '../arrange/postgres.ts'
import { runScenario, scenarios, type FaultReport } from './scenarios.ts'

const isLong = process.argv.includes('--long')
const only = process.argv.find((argument) => argument.startsWith('--only='))?.slice(7) ?? ''
const columns = ['sent', 'acknowledged', 'kept', 'shown', 'twice', 'missing', 'late', 'open', 'leaks'] as const
const isFine = ({ sent, acknowledged, kept, twice, missing, late, open, leaks }: FaultReport) =>
  acknowledged === sent &&
  kept === acknowledged &&
  twice === 0 &&
  missing === 0 &&
  late === 0 &&
  open === 0 &&
  leaks === 0

let failed = 0
process.stdout.write(`${''.padEnd(46)}${columns.map((column) => column.padStart(13)).join('')}\n`)
for (const scenario of scenarios) {
  if (!scenario.name.includes(only)) continue
  for (const kind of scenario.kinds) {
    if (kind === 'server' && !hasPostgres) continue
    if (scenario.isPossible && !scenario.isPossible()) {
      process.stdout.write(`${scenario.name.padEnd(46)}  not possible here\n`)
      continue
    }
    const report = await runScenario(scenario, kind, isLong)
    if (!isFine(report)) failed += 1
    process.stdout.write(
      `${report.name.padEnd(46)}${columns.map((column) => String(report[column]).padStart(13)).join('')}   ${isFine(report) ? 'fine' : 'NOT FINE'}  ${report.notes.join('; ')}\n`,
    )
  }
}
process.stdout.write(
  failed === 0
    ? '\nNothing that was acknowledged was lost, and nothing was shown twice.\n'
    : `\n${failed} did not hold.\n`,
)
process.exit(failed === 0 ? 0 : 1)
