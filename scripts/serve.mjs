// Runs the built server with an environment, and passes signals on.
import { spawn } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { root } from './root.mjs'

export function serve(env) {
  const server = spawn(process.execPath, [fileURLToPath(new URL('.output/server/index.mjs', root))], {
    stdio: 'inherit',
    env: { HOST: '127.0.0.1', PORT: '4410', NITRO_SHUTDOWN_TIMEOUT: '4000', ...process.env, ...env },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('exit', (code) => process.exit(code ?? 0))
  return server
}
