// npm run shots: retakes docs/screenshots/ from the demo data.
import { spawnSync } from 'node:child_process'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

ensureInstalled()
const { ensureBuilt } = await import('./freshBuild.mjs')
ensureBuilt()
const { ensureChromium } = await import('./chromium.mjs')
const chromium = ensureChromium()
if (!chromium) process.exit(1)
const { status } = spawnSync('npx', ['--no-install', 'tsx', 'scripts/takeShots.ts'], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, CHROMIUM_PATH: chromium },
})
process.exit(status ?? 1)
