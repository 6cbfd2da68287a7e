import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import PQueue from 'p-queue'
import { TooBusyError } from '../ingest/groupCommit.ts'

// OWASP's advice for scrypt: N = 2^17, r = 8, p = 1 (128 MiB per hash).
const cost = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 }
const keyBytes = 32

/**
 * Hashing takes a third of a second and 128 MiB on threads that files are read by as well: two at once leave the others
 * theirs, whoever tries to sign in how often.
 */
const hashing = new PQueue({ concurrency: 2 })
const waitingMax = 24

function derive(password: string, salt: Buffer, options: typeof cost): Promise<Buffer> {
  if (hashing.size >= waitingMax) return Promise.reject(new TooBusyError('Too many passwords wait to be checked.'))
  return hashing.add(
    () =>
      new Promise<Buffer>((resolve, reject) => {
        scrypt(password.normalize('NFKC'), salt, keyBytes, options, (error, key) =>
          error ? reject(error) : resolve(key),
        )
      }),
    { throwOnTimeout: true },
  )
}

/** Hashes a password as `scrypt$N$r$p$salt$key`; runs off the main thread, about a third of a second. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password, salt, cost)
  return ['scrypt', cost.N, cost.r, cost.p, salt.toString('base64'), key.toString('base64')].join('$')
}

/** Whether the password is the one that was hashed. Takes as long for a wrong one as for a right one. */
export async function verifyPassword(password: string, hash: string): Promise<boolean> {
  const [scheme, n, r, p, salt, key] = hash.split('$')
  if (scheme !== 'scrypt' || !salt || !key) return false
  const expected = Buffer.from(key, 'base64')
  const derived = await derive(password, Buffer.from(salt, 'base64'), {
    ...cost,
    N: Number(n),
    r: Number(r),
    p: Number(p),
  })
  return derived.length === expected.length && timingSafeEqual(derived, expected)
}
