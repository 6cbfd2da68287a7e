// Builds when a source is newer than the last build.
import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { root } from './root.mjs'

const sources = [
  'app',
  'contract',
  'core',
  'demo',
  'fonts',
  'gallery',
  'modules',
  'player',
  'public',
  'server',
  'nuxt.config.ts',
  'package-lock.json',
]

function newestMs(path) {
  const facts = statSync(path)
  if (!facts.isDirectory()) return facts.mtimeMs
  return Math.max(facts.mtimeMs, ...readdirSync(path).map((name) => newestMs(join(path, name))))
}

export function ensureBuilt() {
  const built = fileURLToPath(new URL('.output/built', root))
  const newest = Math.max(...sources.map((name) => newestMs(fileURLToPath(new URL(name, root)))))
  if (existsSync(built) && statSync(built).mtimeMs > newest) return
  const { status } = spawnSync(process.execPath, [fileURLToPath(new URL('scripts/build.mjs', root))], {
    cwd: root,
    stdio: 'inherit',
  })
  if (status !== 0) process.exit(status ?? 1)
}
