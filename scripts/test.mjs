// npm test: everything that must hold. Prints `N passed, N failed` alone on its last line.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync, mkdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

ensureInstalled()
const { ensureChromium } = await import('./chromium.mjs')
const reports = fileURLToPath(new URL('node_modules/.cache/thundercrest/reports/', root))
rmSync(reports, { recursive: true, force: true })
mkdirSync(reports, { recursive: true })

const rooms = ['core', 'contract', 'player', 'app', 'server', 'stand-ins', 'demo', 'gallery', 'modules']
const tally = { passed: 0, failed: 0, skipped: 0 }

function run(name, command, args, env = {}) {
  const startedMs = Date.now()
  process.stdout.write(`\n── ${name}\n`)
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env },
  })
  process.stdout.write(
    `── ${name}: ${status === 0 ? 'fine' : `failed (${status})`}, ${Math.round((Date.now() - startedMs) / 1000)} s\n`,
  )
  return status === 0
}

/** A check counts as one test. */
function check(name, command, args) {
  const isFine = run(name, command, args)
  tally[isFine ? 'passed' : 'failed'] += 1
  return isFine
}

/** Runs checks, some at a time; what each prints comes in one piece. */
async function inLanes(count, checks) {
  const left = [...checks]
  const lane = async () => {
    for (let next = left.shift(); next; next = left.shift()) {
      const [name, [command, args]] = next
      const startedMs = Date.now()
      const { status, output } = await finished(command, args)
      const took = `${Math.round((Date.now() - startedMs) / 1000)} s`
      const said = status === 0 ? '' : output
      process.stdout.write(`\n${said}── ${name}: ${status === 0 ? 'fine' : `failed (${status})`}, ${took}\n`)
      tally[status === 0 ? 'passed' : 'failed'] += 1
    }
  }
  await Promise.all(Array.from({ length: count }, lane))
}

function finished(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' },
    })
    let output = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (output += text))
    child.on('close', (status) => resolve({ status, output }))
  })
}

/** Adds what a test runner reported; a runner that failed without a failed test counts as one failure. */
function add(isFine, { passed, failed, skipped }) {
  tally.passed += passed
  tally.failed += failed + (!isFine && failed === 0 ? 1 : 0)
  tally.skipped += skipped
}

const npx = (...args) => ['npx', ['--no-install', ...args]]
check('prepare', ...npx('nuxt', 'prepare'))
// Each of these keeps one processor busy; together they take half the time.
await inLanes(2, [
  ['types: application', npx('nuxt', 'typecheck')],
  ['lint', npx('eslint', '.', '--max-warnings', '0')],
  ['types: tests', npx('tsc', '-p', 'test/tsconfig.json')],
  ['formatting', npx('prettier', '--check', '.')],
  ['types: core', npx('tsc', '-p', 'core/tsconfig.json')],
  ['dead code', npx('knip')],
  ['types: player', npx('tsc', '-p', 'player/tsconfig.json')],
  ['boundaries', npx('depcruise', '--config', '.dependency-cruiser.cjs', ...rooms)],
])

const unitReport = `${reports}unit.json`
const unitIsFine = run(
  'unit tests',
  ...npx('vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unitReport}`),
)
add(unitIsFine, readVitest(unitReport))

if (check('build', process.execPath, ['scripts/build.mjs'])) {
  const chromium = ensureChromium()
  if (!chromium) tally.failed += 1
  else {
    const browserReport = `${reports}browser.json`
    const browserIsFine = run('browser tests', ...npx('playwright', 'test'), {
      PLAYWRIGHT_JSON_OUTPUT_FILE: browserReport,
      CHROMIUM_PATH: chromium,
    })
    add(browserIsFine, readPlaywright(browserReport))
  }
}

/** What takes longest is what to look at first when a run grows. */
function tellSlowest(tests) {
  const slowest = tests.sort((a, b) => b.ms - a.ms).slice(0, 12)
  process.stdout.write('\n── what took longest\n')
  for (const { name, ms } of slowest) process.stdout.write(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${name}\n`)
}

function slowOfVitest(path) {
  if (!existsSync(path)) return []
  return JSON.parse(readFileSync(path, 'utf8')).testResults.map(({ name, startTime, endTime }) => ({
    name: name.replace(fileURLToPath(root), ''),
    ms: endTime - startTime,
  }))
}

function slowOfPlaywright(path) {
  if (!existsSync(path)) return []
  const specsOf = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)]
  return JSON.parse(readFileSync(path, 'utf8'))
    .suites.flatMap(specsOf)
    .map(({ file, title, tests }) => ({
      name: `${file}: ${title}`,
      ms: tests.flatMap(({ results }) => results).reduce((sum, { duration }) => sum + duration, 0),
    }))
}

function readVitest(path) {
  if (!existsSync(path)) return { passed: 0, failed: 0, skipped: 0 }
  const { numPassedTests, numFailedTests, numPendingTests } = JSON.parse(readFileSync(path, 'utf8'))
  return { passed: numPassedTests, failed: numFailedTests, skipped: numPendingTests }
}

function readPlaywright(path) {
  if (!existsSync(path)) return { passed: 0, failed: 0, skipped: 0 }
  const { stats } = JSON.parse(readFileSync(path, 'utf8'))
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected, skipped: stats.skipped }
}

tellSlowest([...slowOfVitest(unitReport), ...slowOfPlaywright(`${reports}browser.json`)])
process.stdout.write(
  `\n${tally.passed} passed, ${tally.failed} failed${tally.skipped > 0 ? `, ${tally.skipped} skipped` : ''}\n`,
)
process.exit(tally.failed > 0 ? 1 : 0)
