import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { chownSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'

const folders = [
  '/usr/lib/postgresql/17/bin',
  '/usr/lib/postgresql/16/bin',
  '/usr/lib/postgresql/15/bin',
  '/usr/bin',
  '/usr/local/bin',
]
const programs =
  folders.find((folder) => existsSync(join(folder, 'initdb')) && existsSync(join(folder, 'postgres'))) ?? null

/** PostgreSQL refuses to run as root, so it runs as the user that Debian makes for it. */
const user = process.getuid?.() === 0 ? spawnSync('id', ['-u', 'postgres'], { encoding: 'utf8' }).stdout.trim() : ''

/** Whether a server can be started here, or one is named in TEST_DATABASE_URL. */
export const hasPostgres =
  Boolean(process.env.TEST_DATABASE_URL) || (programs !== null && (process.getuid?.() !== 0 || user !== ''))

/** Starts a server of its own in a fresh folder. @returns its address and what ends it */
export async function startPostgres(): Promise<{ url: string; stop: () => Promise<void> }> {
  if (process.env.TEST_DATABASE_URL) return { url: process.env.TEST_DATABASE_URL, stop: async () => undefined }
  if (!programs) throw new Error('There is no PostgreSQL here')
  const folder = mkdtempSync(join(tmpdir(), 'thundercrest-pg-'))
  if (user)
    chownSync(folder, Number(user), Number(spawnSync('id', ['-g', 'postgres'], { encoding: 'utf8' }).stdout.trim()))
  const as = (program: string, args: string[]): [string, string[]] =>
    user
      ? ['setpriv', ['--reuid', user, '--clear-groups', join(programs, program), ...args]]
      : [join(programs, program), args]
  const made = spawnSync(
    ...as('initdb', ['-D', join(folder, 'data'), '-U', 'thundercrest', '--auth=trust', '-E', 'UTF8', '--no-sync']),
    { encoding: 'utf8' },
  )
  if (made.status !== 0) throw new Error(`initdb failed: ${made.stderr}`)
  const port = await freePort()
  const server = spawn(
    ...as('postgres', [
      '-D',
      join(folder, 'data'),
      '-p',
      String(port),
      '-k',
      folder,
      '-c',
      'listen_addresses=127.0.0.1',
    ]),
    { stdio: 'ignore' },
  )
  const url = `postgres://thundercrest@127.0.0.1:${port}/postgres`
  await untilAnswers(url)
  return { url, stop: () => end(server, folder) }
}

async function untilAnswers(url: string): Promise<void> {
  for (let tries = 0; ; tries++) {
    const client = new pg.Client({ connectionString: url })
    const isThere = await client.connect().then(
      () => true,
      () => false,
    )
    await client.end().catch(() => undefined)
    if (isThere) return
    if (tries > 150) throw new Error('PostgreSQL does not start')
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
}

async function end(server: ChildProcess, folder: string): Promise<void> {
  const ended = new Promise((resolve) => server.once('exit', resolve))
  server.kill('SIGINT')
  await ended
  rmSync(folder, { recursive: true, force: true })
}

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address()
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0))
    })
  })
}
