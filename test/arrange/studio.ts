import { spawn, type ChildProcess } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { freePort } from './postgres.ts'
import type { DemoFile } from './server.ts'

const built = fileURLToPath(new URL('../../.output/server/studio.mjs', import.meta.url))

/** The simulated studio, linked to a demo, on a port of its own. */
export class TestStudio {
  private constructor(
    readonly url: string,
    private readonly process: ChildProcess,
  ) {}

  static async start({ studio }: DemoFile): Promise<TestStudio> {
    const port = await freePort()
    const child = spawn(process.execPath, [built], {
      env: {
        ...{ PATH: process.env.PATH, STUDIO_LINK: studio.link, STUDIO_SECRET: studio.secret },
        ...{ STUDIO_PORT: String(port), STUDIO_HOST: '127.0.0.1' },
      },
    })
    await new Promise((resolve, reject) => {
      child.stdout.once('data', resolve)
      child.once('exit', reject)
    })
    return new TestStudio(`http://127.0.0.1:${port}`, child)
  }

  end(): void {
    this.process.kill('SIGKILL')
  }
}
