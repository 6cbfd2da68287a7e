import { randomBytes } from 'node:crypto'
import { mkdir, readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'

/** Reads the server's own secret, or makes it on the first start and keeps it where only this user can read it. */
export async function ensureServerSecret(folder: string, given: string | undefined): Promise<string> {
  if (given) return given
  await mkdir(folder, { recursive: true })
  const path = join(folder, 'secret')
  const kept = await readFile(path, 'utf8').catch(() => '')
  if (kept.trim().length >= 32) return kept.trim()
  const made = randomBytes(32).toString('base64url')
  await writeFile(path, `${made}\n`, { mode: 0o600 })
  return made
}
