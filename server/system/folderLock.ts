import { createHash } from 'node:crypto'
import { createServer, type Server } from 'node:net'

/**
 * Makes sure that one process at a time uses a data folder. Two servers on one embedded database destroy it, and the
 * database itself does not notice. The lock is an abstract socket: the kernel frees it even after a kill -9, so no
 * stale lock file can keep an operator out.
 * @throws Error when another process holds the folder.
 */
export async function lockFolder(folder: string, waitMs = 4_000): Promise<() => Promise<void>> {
  const name = `\0thundercrest-${createHash('sha256').update(folder).digest('hex').slice(0, 32)}`
  const deadlineMs = Date.now() + waitMs
  for (;;) {
    const server = await tryListen(name)
    if (server) return () => new Promise((resolve) => server.close(() => resolve()))
    // A server that is just being replaced needs a moment to close its database.
    if (Date.now() > deadlineMs)
      throw new Error(
        `Another Thundercrest is using the data folder ${folder}. Stop it first, or choose another folder with THUNDERCREST_DATA.`,
      )
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
}

function tryListen(name: string): Promise<Server | null> {
  return new Promise((resolve, reject) => {
    const server = createServer()
    server.once('error', (error: NodeJS.ErrnoException) =>
      error.code === 'EADDRINUSE' ? resolve(null) : reject(error),
    )
    server.listen(name, () => {
      server.unref()
      resolve(server)
    })
  })
}
