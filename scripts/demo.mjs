// npm run demo: installs and builds what is missing, loads the demo scenario and prints the addresses.
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { spawn } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { ensureInstalled } from './install.mjs'
import { root } from './root.mjs'

let flags
try {
  flags = parseArgs({
    options: {
      port: { type: 'string' },
      data: { type: 'string' },
      reset: { type: 'boolean' },
      empty: { type: 'boolean' },
    },
  }).values
} catch (error) {
  process.stderr.write(`${error.message}\nFlags: --port N, --data DIR, --reset, --empty\n`)
  process.exit(2)
}
const port = flags.port ?? process.env.PORT ?? '4410'
const data = resolve(flags.data ?? process.env.THUNDERCREST_DATA ?? (flags.empty ? '.data-empty' : '.data-demo'))

ensureInstalled()
const { ensureBuilt } = await import('./freshBuild.mjs')
ensureBuilt()
if (flags.reset) {
  // Only ever what Thundercrest itself laid there: --data may name a folder with other things in it.
  for (const name of ['database', 'media', 'speech', 'emotes', 'uploads', 'demo.json', 'operator.json', 'secret'])
    rmSync(join(data, name), { recursive: true, force: true })
}
const { serve } = await import('./serve.mjs')
// The simulated voice service that ships, so that an engine on another machine can be tried.
const chirp = `chirp=http://127.0.0.1:${port}/stand-ins/voice`
const server = await serve({
  PORT: port,
  THUNDERCREST_VOICES: process.env.THUNDERCREST_VOICES ?? chirp,
  THUNDERCREST_DATA: data,
  THUNDERCREST_DEMO: flags.empty ? '0' : 'night',
  THUNDERCREST_LOG: process.env.THUNDERCREST_LOG ?? 'warn',
})

const url = `http://${process.env.HOST ?? '127.0.0.1'}:${port}`
for (let tries = 0; tries < 240 && server.exitCode === null; tries++) {
  const isReady = await fetch(`${url}/readyz`).then(
    (answer) => answer.ok,
    () => false,
  )
  if (isReady) {
    announce()
    break
  }
  await new Promise((wait) => setTimeout(wait, 250))
}

/** Starts the simulated studio beside the server, on the next port. */
function studio(demo) {
  const host = process.env.HOST ?? '127.0.0.1'
  const studioPort = String(Number(port) + 1)
  const program = spawn(process.execPath, [fileURLToPath(new URL('.output/server/studio.mjs', root))], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      ...{ STUDIO_LINK: demo.studio.link, STUDIO_SECRET: demo.studio.secret },
      ...{ STUDIO_PORT: studioPort, STUDIO_HOST: host, STUDIO_SOURCES: JSON.stringify(demo.boards) },
    },
  })
  process.on('exit', () => program.kill())
  return `http://${host}:${studioPort}`
}

function announce() {
  const demoFile = join(data, 'demo.json')
  const lines = [`Thundercrest is ready: ${url}`]
  if (!flags.empty && existsSync(demoFile)) {
    const demo = JSON.parse(readFileSync(demoFile, 'utf8'))
    lines.push('', 'Sign in as')
    for (const { email, password, role } of demo.accounts) lines.push(`  ${email.padEnd(34)} ${password}   ${role}`)
    lines.push('', 'Browser sources (secret: whoever has the address sees what you show)')
    for (const { name, sourceUrl } of [...demo.boxes, ...demo.boards]) lines.push(`  ${name.padEnd(16)} ${sourceUrl}`)
    lines.push(
      '',
      'Simulated, to try it with',
      `  ${'studio'.padEnd(16)} ${studio(demo)}`,
      `  ${'chat of viewers'.padEnd(16)} ${demo.chatUrl}`,
    )
    lines.push('', `What viewers can set off: ${demo.listUrl}`, `For scripts: ${demoFile}`, 'Stop with Ctrl C.')
  }
  process.stdout.write(`\n${lines.map((line) => `  ${line}`).join('\n')}\n\n`)
}
