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

export interface Postgres {
  url: string
  /** Ends it and removes what it kept. */
  stop: () => Promise<void>
  /** Takes it away, with whatever it is doing, and brings it back with all that it kept. */
  halt: () => Promise<void>
  resume: () => Promise<void>
  /** Ends every connection to it, whatever is being asked on it. */
  cutConnections: () => Promise<void>
}

/** Starts a server of its own in a fresh folder. */
export async function startPostgres(): Promise<Postgres> {
  const nothing = async () => undefined
  if (process.env.TEST_DATABASE_URL)
    return {
      url: process.env.TEST_DATABASE_URL,
      stop: nothing,
      halt: nothing,
      resume: nothing,
      cutConnections: nothing,
    }
  if (!programs) throw new Error('There is no PostgreSQL here')
  const folder = mkdtempSync(join(tmpdir(), 'thundercrest-pg-'))
  if (user)
    chownSync(folder, Number(user), Number(spawnSync('id', ['-g', 'postgres'], { encoding: 'utf8' }).stdout.trim()))
  const as = (program: string, args: string[]): [string, string[]] =>
    user
      ? ['setpriv', ['--reuid', user, '--clear-groups', join(programs, program), ...args]]
      : [join(programs, program), args]
  const data = join(folder, 'data')
  const made = spawnSync(
    ...as('initdb', ['-D', data, '-U', 'thundercrest', '--auth=trust', '-E', 'UTF8', '--no-sync']),
    { encoding: 'utf8' },
  )
  if (made.status !== 0) throw new Error(`initdb failed: ${made.stderr}`)
  const port = await freePort()
  const url = `postgres://thundercrest@127.0.0.1:${port}/postgres`
  const begin = async () => {
    const settings = ['-D', data, '-p', String(port), '-k', folder, '-c', 'listen_addresses=127.0.0.1']
    const started = spawn(...as('postgres', settings), { stdio: 'ignore' })
    await untilAnswers(url)
    return started
  }
  let server = await begin()
  return {
    url,
    async stop() {
      await end(server, 'SIGINT')
      rmSync(folder, { recursive: true, force: true })
    },
    // At once, without waiting for anybody: what it had not said is not said any more.
    halt: () => end(server, 'SIGQUIT'),
    async resume() {
      server = await begin()
    },
    async cutConnections() {
      const client = new pg.Client({ connectionString: url })
      await client.connect()
      await client.query(
        'select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and usename is not null',
      )
      await client.end()
    },
  }
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

async function end(server: ChildProcess, signal: 'SIGINT' | 'SIGQUIT'): Promise<void> {
  if (server.exitCode !== null) return
  const ended = new Promise((resolve) => server.once('exit', resolve))
  server.kill(signal)
  await ended
}

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address()
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0))
    })
  })
}
