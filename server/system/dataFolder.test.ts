import { chmodSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
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
})
