import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { SignInLimits, type SignInTry } from '../../server/auth/loginLimit.ts'
import { limiterStore } from '../../server/db/limiterStore.ts'
import { migrate } from '../../server/db/migrate.ts'
import { databases, type OpenDatabase } from '../arrange/databases.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

describe.each(databases)('tries to sign in, counted in $name', ({ isHere, open }) => {
  let opened: OpenDatabase
  /** Two processes on one database. */
  let limits: SignInLimits[] = []

  beforeAll(async () => {
    if (!isHere) return
    opened = await open(2)
    await migrate(opened.handle, readMigrations())
    limits = [1, 2].map(() => new SignInLimits(limiterStore(opened.handle.db)))
  }, 60_000)
  afterAll(async () => {
    if (!isHere) return
    await opened.handle.close()
    await opened.clean()
  })

  /** Tries at each process in turn. */
  const statusesOf = async (tried: SignInTry, times: number, processes = limits) => {
    const statuses: number[] = []
    for (let time = 0; time < times; time++)
      statuses.push(
        await (processes[time % processes.length] as SignInLimits).count(tried).then(
          () => 200,
          (error: { statusCode: number }) => error.statusCode,
        ),
      )
    return statuses
  }
  const eight = Array.from({ length: 8 }, () => 200)
  const owner = { email: 'Odalys@lantern-loaf.example', browserId: null }

  it.runIf(isHere)(
    'hold over processes, for an address and an account: a stranger does not lock an owner out',
    async () => {
      expect(await statusesOf({ ...owner, address: '203.0.113.1' }, 10)).toEqual([...eight, 429, 429])
      expect(await statusesOf({ ...owner, address: '203.0.113.2' }, 1)).toEqual([200])
    },
  )

  it.runIf(isHere)(
    'of a browser that was signed in before are counted for it alone, until it signs in at any process',
    async () => {
      const shared = { ...owner, address: '203.0.113.1' }
      expect(await statusesOf(shared, 1)).toEqual([429])
      const known = { ...shared, browserId: 'kitchen' }
      expect(await statusesOf(known, 8)).toEqual(eight)
      await limits[1]?.forget(known)
      expect(await statusesOf(known, 9)).toEqual([...eight, 429])
    },
  )

  it.runIf(isHere)('from many addresses on one account come to an end', async () => {
    const statuses = new Set<number>()
    for (let from = 0; from < 110; from++)
      for (const status of await statusesOf(
        { email: 'bram@x.example', browserId: null, address: `198.51.100.${from}` },
        1,
      ))
        statuses.add(status)
    expect(statuses).toEqual(new Set([200, 429]))
  })

  it.runIf(isHere)('that hostile words are typed in count like others', async () => {
    const odd = { email: `${'ü'.repeat(400)}\u0000'; drop table sign_in_try; --`, browserId: null, address: '::1' }
    expect(await statusesOf(odd, 9)).toEqual([...eight, 429])
  })
})
