// Finds Debian's Chromium, and installs it where that is possible.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const places = [process.env.CHROMIUM_PATH, '/usr/bin/chromium', '/usr/bin/chromium-browser'].filter(Boolean)

export function findChromium() {
  return places.find((path) => existsSync(path)) ?? null
}

/** Returns the path, or null with a clear message when there is none and it cannot be installed. */
export function ensureChromium() {
  const found = findChromium()
  if (found) return found
  process.stdout.write('Installing Debian’s Chromium…\n')
  const isRoot = process.getuid?.() === 0
  const apt = (...args) =>
    spawnSync(isRoot ? 'apt-get' : 'sudo', isRoot ? args : ['-n', 'apt-get', ...args], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
  apt('update', '-qq')
  apt('install', '-y', '-qq', 'chromium')
  if (findChromium()) return findChromium()
  process.stderr.write(
    'Chromium is needed for the browser tests and could not be installed with apt-get. Install it (Debian: apt-get install chromium), or name it in CHROMIUM_PATH.\n',
  )
  return null
}
