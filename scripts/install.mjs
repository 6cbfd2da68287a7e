// Installs the packages when they are missing or older than the lock file. Needs nothing but Node and npm.
import { spawnSync } from 'node:child_process'
import { existsSync, statSync } from 'node:fs'
import { root } from './root.mjs'

export function ensureInstalled() {
  const marker = new URL('node_modules/.package-lock.json', root)
  if (existsSync(marker) && statSync(marker).mtimeMs >= statSync(new URL('package-lock.json', root)).mtimeMs) return
  process.stdout.write('Installing packages…\n')
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: 'inherit',
  })
  if (status !== 0) {
    process.stderr.write(
      'The packages could not be installed. Check that the npm registry can be reached, then try again.\n',
    )
    process.exit(1)
  }
}
