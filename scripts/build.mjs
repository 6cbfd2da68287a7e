// Builds the application, and lays an initialised empty database beside it: copying that is far faster than making one.
import { spawnSync } from 'node:child_process'
import { rm, writeFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { root } from './root.mjs'

process.stdout.write('Building…\n')
const startedMs = Date.now()
// The sets that ship are drawn and synthesised by their scripts; the server carries what comes out.
const gallery = spawnSync(process.execPath, ['--import', 'tsx', fileURLToPath(new URL('gallery/make.ts', root))], {
  cwd: root,
  encoding: 'utf8',
})
if (gallery.status !== 0) {
  process.stderr.write(`${gallery.stderr}\nThe gallery could not be made.\n`)
  process.exit(1)
}
const nuxt = fileURLToPath(new URL('node_modules/nuxt/bin/nuxt.mjs', root))
const built = spawnSync(process.execPath, [nuxt, 'build'], {
  cwd: root,
  encoding: 'utf8',
  env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' },
})
if (built.status !== 0) {
  process.stderr.write(`${built.stdout}\n${built.stderr}\nThe build failed.\n`)
  process.exit(1)
}
const { PGlite } = await import('@electric-sql/pglite')
const template = fileURLToPath(new URL('.output/database-template', root))
await rm(template, { recursive: true, force: true })
const database = await PGlite.create({ dataDir: template })
await database.close()
await writeFile(new URL('.output/built', root), `${new Date().toISOString()}\n`)
process.stdout.write(`Built in ${Math.round((Date.now() - startedMs) / 1000)} s\n`)
process.exit(0)
