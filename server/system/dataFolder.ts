import { randomBytes } from 'node:crypto'
import { chmod, link, mkdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { isMainThread } from 'node:worker_threads'

const others = 0o077

/**
 * Makes the data folder and sees to it that nobody else on this machine can look into it: secrets, addresses of sources
 * and what viewers wrote lie there.
 * @returns whether it was open to others until now
 * @throws Error with one clear line where that cannot be mended
 */
export async function keepPrivate(folder: string): Promise<boolean> {
  // What is made from now on is nobody else's either, whoever makes it.
  // A thread has no say in it: while the application is reloaded, it runs in one, and the folder's own rights have to do.
  if (isMainThread) process.umask(others)
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const { mode } = await stat(folder)
  if ((mode & others) === 0) return false
  await chmod(folder, 0o700).catch(() => {
    throw new Error(
      `Thundercrest cannot start: the data folder ${folder} can be read by others on this machine, and its rights cannot be changed. Make it yours (chmod 700), or choose another folder with THUNDERCREST_DATA.`,
    )
  })
  return true
}

/** Reads the server's own secret, or makes it on the first start and keeps it where only this user can read it. */
export async function ensureServerSecret(folder: string, given: string | undefined): Promise<string> {
  if (given) return given
  await mkdir(folder, { recursive: true })
  const path = join(folder, 'secret')
  const read = async () => (await readFile(path, 'utf8').catch(() => '')).trim()
  const kept = await read()
  if (kept.length >= 32) return kept
  const made = randomBytes(32).toString('base64url')
  // Put there whole, and only where there is none: of two processes that start together the second takes the first one's.
  const beside = `${path}.${made.slice(0, 8)}`
  await writeFile(beside, `${made}\n`, { mode: 0o600 })
  await link(beside, path).catch(() => undefined)
  // There is one, and it is none.
  if ((await read()).length < 32) await rename(beside, path)
  await rm(beside, { force: true })
  return read()
}
