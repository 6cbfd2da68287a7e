import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

// OWASP's advice for scrypt: N = 2^17, r = 8, p = 1 (128 MiB per hash).
const cost = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 }
const keyBytes = 32

function derive(password: string, salt: Buffer, options: typeof cost): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), salt, keyBytes, options, (error, key) => (error ? reject(error) : resolve(key)))
  })
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
