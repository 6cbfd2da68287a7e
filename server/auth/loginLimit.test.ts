import { describe, expect, it } from 'vitest'
import { countSignInTry, forgetSignInTries } from './loginLimit.ts'

const statusOf = (work: Promise<void>) =>
  work.then(
    () => 200,
    (error: { statusCode: number }) => error.statusCode,
  )

describe('tries to sign in', () => {
  const owner = { email: 'Odalys@lantern-loaf.example', browserId: null }

  it('are counted for an address and an account: a stranger does not lock an owner out', async () => {
    const stranger = { ...owner, address: '203.0.113.1' }
    const statuses: number[] = []
    for (let tries = 0; tries < 9; tries++) statuses.push(await statusOf(countSignInTry(stranger)))
    expect(statuses).toEqual([...Array.from({ length: 8 }, () => 200), 429])
    expect(await statusOf(countSignInTry({ ...owner, address: '203.0.113.2' }))).toBe(200)
  })

  it('of a browser that was signed in before are counted for it alone, behind whatever address', async () => {
    const shared = { ...owner, address: '203.0.113.1' }
    expect(await statusOf(countSignInTry(shared))).toBe(429)
    const known = { ...shared, browserId: 'kitchen' }
    expect(await statusOf(countSignInTry(known))).toBe(200)
    for (let tries = 0; tries < 7; tries++) await countSignInTry(known)
    expect(await statusOf(countSignInTry(known))).toBe(429)
    await forgetSignInTries(known)
    expect(await statusOf(countSignInTry(known))).toBe(200)
  })

  it('from many addresses on one account come to an end', async () => {
    const statuses = new Set<number>()
    for (let from = 0; from < 110; from++)
      statuses.add(
        await statusOf(countSignInTry({ email: 'bram@x.example', browserId: null, address: `198.51.100.${from}` })),
      )
    expect(statuses).toEqual(new Set([200, 429]))
  })
})
