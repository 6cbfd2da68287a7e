// npm run backup | restore | password | doctor: see server/operate/commandLine.ts.
import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

ensureInstalled()
const { status } = spawnSync(
  process.execPath,
  ['--import', 'tsx', fileURLToPath(new URL('server/operate/commandLine.ts', root)), ...process.argv.slice(2)],
  // Where it was called from: files are named from there.
  { cwd: process.env.INIT_CWD ?? process.cwd(), stdio: 'inherit' },
)
process.exit(status ?? 1)
