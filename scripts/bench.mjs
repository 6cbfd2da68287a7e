// npm run bench -- NAME [--json] [--keep]: one benchmark with its peers in the same run, kept in docs/figures.md with
// --keep; no name lists them.
import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

const folder = new URL('bench/', root)
const names = readdirSync(folder)
  .filter((file) => file.endsWith('.bench.ts'))
  .map((file) => file.replace('.bench.ts', ''))
const name = process.argv[2]
if (!name || name.startsWith('--') || !existsSync(new URL(`${name}.bench.ts`, folder))) {
  process.stdout.write(`npm run bench -- NAME [--json] [--keep]\n\n${names.map((each) => `  ${each}`).join('\n')}\n`)
  process.exit(name && !name.startsWith('--') ? 2 : 0)
}
ensureInstalled()
const { ensureBuilt } = await import('./freshBuild.mjs')
const { stdout } = process
if (process.argv.includes('--json')) process.stdout.write = () => true
ensureBuilt()
process.stdout.write = stdout.write
const { status } = spawnSync(
  'npx',
  [
    '--no-install',
    'tsx',
    ...(name === 'engine' ? ['--expose-gc'] : []),
    fileURLToPath(new URL(`${name}.bench.ts`, folder)),
    ...process.argv.slice(3),
  ],
  { cwd: root, stdio: 'inherit' },
)
process.exit(status ?? 1)
