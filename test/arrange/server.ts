import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { freePort } from './postgres.ts'

const built = fileURLToPath(new URL('../../.output/server/index.mjs', import.meta.url))

/** What the demo writes for scripts that drive it from outside. */
export interface DemoFile {
  url: string
  accounts: { email: string; password: string; role: 'owner' | 'editor' | 'moderator' }[]
  boxes: { id: string; name: string; sourceUrl: string }[]
  boards: { id: string; name: string; sourceUrl: string }[]
  feeds: { id: string; platform: string; secret: string }[]
  studio: { link: string; secret: string }
  chatUrl: string
  listUrl: string
  apiKey: string
}

/** The built application on a port and a data folder of its own. */
export class TestServer {
  private process: ChildProcess | null = null
  private output = ''

  private constructor(
    readonly port: number,
    readonly dataFolder: string,
    private readonly env: Record<string, string>,
  ) {}

  static async start(env: Record<string, string> = { THUNDERCREST_DEMO: '1' }, parent = tmpdir()): Promise<TestServer> {
    const server = new TestServer(await freePort(), mkdtempSync(join(parent, 'thundercrest-')), env)
    await server.run()
    return server
  }

  /** On a data folder that is there already. */
  static async on(dataFolder: string, env: Record<string, string>): Promise<TestServer> {
    const server = new TestServer(await freePort(), dataFolder, env)
    await server.run()
    return server
  }

  /** Another process on the same database and data folder. */
  async beside(): Promise<TestServer> {
    const server = new TestServer(await freePort(), this.dataFolder, this.env)
    await server.run()
    return server
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** The demo as it is reached here: of several processes on one folder the last to start has written where. */
  get demo(): DemoFile {
    const written = readFileSync(join(this.dataFolder, 'demo.json'), 'utf8')
    const { url } = JSON.parse(written) as DemoFile
    const here = written
      .replaceAll(url, this.url)
      .replaceAll(url.replace(/^http/, 'ws'), this.url.replace(/^http/, 'ws'))
    return JSON.parse(here) as DemoFile
  }

  /** Its process, while it runs. */
  get pid(): number | undefined {
    return this.process?.pid
  }

  get isRunning(): boolean {
    return this.process !== null && this.process.exitCode === null
  }

  /** Everything that it has printed. */
  get printed(): string {
    return this.output
  }

  /** Starts it (again) and waits until it is ready. */
  async run(): Promise<void> {
    if (!existsSync(built)) throw new Error('Build first: npm run build')
    const child = spawn(process.execPath, [built], {
      env: {
        PATH: process.env.PATH,
        HOST: '127.0.0.1',
        PORT: String(this.port),
        THUNDERCREST_DATA: this.dataFolder,
        THUNDERCREST_LOG: 'warn',
        NITRO_SHUTDOWN_TIMEOUT: '4000',
        ...this.env,
      },
    })
    this.process = child
    child.stdout.on('data', (text: Buffer) => (this.output += text.toString()))
    child.stderr.on('data', (text: Buffer) => (this.output += text.toString()))
    for (let tries = 0; tries < 300; tries++) {
      if (child.exitCode !== null) throw new Error(`The server ended: ${this.output}`)
      if (
        await fetch(`${this.url}/readyz`).then(
          (answer) => answer.ok,
          () => false,
        )
      )
        return
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
    throw new Error(`The server did not become ready: ${this.output}`)
  }

  /** Ends it as the signal does and waits until it is gone. @returns how long that took, in milliseconds */
  async end(signal: 'SIGKILL' | 'SIGTERM'): Promise<number> {
    const child = this.process
    if (!child || child.exitCode !== null) return 0
    const startedMs = Date.now()
    const gone = new Promise((resolve) => child.once('exit', resolve))
    child.kill(signal)
    await gone
    this.process = null
    return Date.now() - startedMs
  }

  async remove(): Promise<void> {
    await this.end('SIGKILL')
    rmSync(this.dataFolder, { recursive: true, force: true })
  }
}

/** The cookie of somebody who is signed in on a demo: its owner. */
export async function cookieOf({ url, accounts: [account] }: DemoFile): Promise<string> {
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: account?.email, password: account?.password }),
  })
  return answer.headers
    .getSetCookie()
    .map((set) => set.split(';')[0])
    .join('; ')
}
