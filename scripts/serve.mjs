// Runs the built server with an environment, and passes signals on.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { fileURLToPath } from 'node:url'
import { root } from './root.mjs'

/** Whether somebody listens there already; said in plain words before the server fails on it. */
function isTaken(port, host) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', (error) => resolve(error.code === 'EADDRINUSE'))
    probe.listen(port, host, () => probe.close(() => resolve(false)))
  })
}

export async function serve(given) {
  const env = { HOST: '127.0.0.1', PORT: '4410', NITRO_SHUTDOWN_TIMEOUT: '4000', ...process.env, ...given }
  if (await isTaken(Number(env.PORT), env.HOST)) {
    process.stderr.write(
      `Something else is using port ${env.PORT}. Stop it, or choose another port: npm run demo -- --port 4411, or PORT=4411 npm start.\n`,
    )
    process.exit(1)
  }
  const server = spawn(process.execPath, [fileURLToPath(new URL('.output/server/index.mjs', root))], {
    stdio: 'inherit',
    env,
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('exit', (code) => process.exit(code ?? 0))
  return server
}
