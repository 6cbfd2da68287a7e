// npm test: everything that must hold. Prints `N passed, N failed` alone on its last line.
import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync, mkdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

ensureInstalled()
const { ensureChromium } = await import('./chromium.mjs')
const reports = fileURLToPath(new URL('node_modules/.cache/thundercrest/reports/', root))
rmSync(reports, { recursive: true, force: true })
mkdirSync(reports, { recursive: true })

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

/** Adds what a test runner reported; a runner that failed without a failed test counts as one failure. */
function add(isFine, { passed, failed, skipped }) {
  tally.passed += passed
  tally.failed += failed + (!isFine && failed === 0 ? 1 : 0)
  tally.skipped += skipped
}

const npx = (...args) => ['npx', ['--no-install', ...args]]
check('prepare', ...npx('nuxt', 'prepare'))
check('lint', ...npx('eslint', '.', '--max-warnings', '0'))
check(
  'boundaries',
  ...npx(
    'depcruise',
    '--config',
    '.dependency-cruiser.cjs',
    'core',
    'contract',
    'player',
    'app',
    'server',
    'stand-ins',
    'demo',
    'modules',
  ),
)
check('dead code', ...npx('knip'))
check('types: core', ...npx('tsc', '-p', 'core/tsconfig.json'))
check('types: player', ...npx('tsc', '-p', 'player/tsconfig.json'))
check('types: application', ...npx('nuxt', 'typecheck'))

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

process.stdout.write(
  `\n${tally.passed} passed, ${tally.failed} failed${tally.skipped > 0 ? `, ${tally.skipped} skipped` : ''}\n`,
)
process.exit(tally.failed > 0 ? 1 : 0)
