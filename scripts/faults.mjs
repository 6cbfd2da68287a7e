// npm run faults [-- --long]: kills, stops, outages, a full disk and clock steps under load; short, or as long as it takes by hand.
import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

ensureInstalled()
const { ensureBuilt } = await import('./freshBuild.mjs')
ensureBuilt()
const { status } = spawnSync(
  'npx',
  ['--no-install', 'tsx', fileURLToPath(new URL('test/faults/run.ts', root)), ...process.argv.slice(2)],
  { cwd: root, stdio: 'inherit' },
)
process.exit(status ?? 1)
