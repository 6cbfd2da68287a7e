// npm run simulate -- FEED KIND|SCRIPT: lets a simulated platform send to the running demo, over the signed route.
import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

ensureInstalled()
const { status } = spawnSync(
  'npx',
  ['--no-install', 'tsx', fileURLToPath(new URL('stand-ins/commandLine.ts', root)), ...process.argv.slice(2)],
  { cwd: root, stdio: 'inherit' },
)
process.exit(status ?? 1)
