import { chmodSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { ensureServerSecret, keepPrivate } from './dataFolder.ts'

const folder = mkdtempSync(join(tmpdir(), 'thundercrest-data-'))
const before = process.umask()
afterAll(() => {
  process.umask(before)
  rmSync(folder, { recursive: true })
})
const rightsOf = (path: string) => statSync(path).mode & 0o777

describe('the data folder', () => {
  it('is made so that nobody else can look into it, and so is what is made in it', async () => {
    const fresh = join(folder, 'deep', 'fresh')
    expect(await keepPrivate(fresh)).toBe(false)
    writeFileSync(join(fresh, 'file'), 'x')
    expect([rightsOf(fresh), rightsOf(join(fresh, 'file'))]).toEqual([0o700, 0o600])
  })
  it('that was open is closed, and that is said', async () => {
    chmodSync(folder, 0o777)
    expect(await keepPrivate(folder)).toBe(true)
    expect(rightsOf(folder)).toBe(0o700)
  })
  it('keeps the secret that was made on the first start', async () => {
    const made = await ensureServerSecret(folder, undefined)
    expect(await ensureServerSecret(folder, undefined)).toBe(made)
    expect(rightsOf(join(folder, 'secret'))).toBe(0o600)
  })
  it('has one secret for all that start together, and a new one in the place of half of one', async () => {
    const together = mkdtempSync(join(folder, 'together-'))
    const made = await Promise.all([1, 2, 3, 4].map(() => ensureServerSecret(together, undefined)))
    expect(new Set(made).size).toBe(1)
    writeFileSync(join(together, 'secret'), 'half')
    const anew = await ensureServerSecret(together, undefined)
    expect([anew.length, await ensureServerSecret(together, undefined)]).toEqual([43, anew])
    expect(readdirSync(together)).toEqual(['secret'])
  })
})
