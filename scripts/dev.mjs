// npm run dev: the same application with reload, on the demo's data.
import { spawn } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

ensureInstalled()
const port = process.env.PORT ?? '4410'
const nuxt = fileURLToPath(new URL('node_modules/nuxt/bin/nuxt.mjs', root))
const dev = spawn(process.execPath, [nuxt, 'dev', '--port', port, '--host', process.env.HOST ?? '127.0.0.1'], {
  cwd: root,
  stdio: 'inherit',
  env: {
    THUNDERCREST_DATA: '.data-dev',
    THUNDERCREST_DEMO: 'night',
    PORT: port,
    THUNDERCREST_VOICES: `chirp=http://127.0.0.1:${port}/stand-ins/voice`,
    ...process.env,
    NUXT_TELEMETRY_DISABLED: '1',
  },
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => dev.kill(signal))
dev.on('exit', (code) => process.exit(code ?? 0))
