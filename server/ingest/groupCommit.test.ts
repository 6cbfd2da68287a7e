import { describe, expect, it } from 'vitest'
import type { Database } from '../db/handle.ts'
import { GroupCommit, TooBusyError } from './groupCommit.ts'

/** A database that only counts transactions; `commit` decides when one may end. */
function countingDatabase(commit: () => Promise<void> = async () => undefined) {
  const log: string[] = []
  const db = {
    async transaction(work: (tx: unknown) => Promise<unknown>) {
      log.push('begin')
      try {
        const value = await work(db)
        await commit()
        log.push('commit')
        return value
      } catch (error) {
        log.push('rollback')
        throw error
      }
    },
  }
  return { db: db as unknown as Database, log }
}

describe('GroupCommit', () => {
  it('commits together what arrives while another commits', async () => {
    const { db, log } = countingDatabase(() => new Promise((resolve) => setTimeout(resolve, 5)))
    const commits = new GroupCommit(db)
    const values = await Promise.all(Array.from({ length: 50 }, (_, index) => commits.run(async () => index)))
    expect(values).toEqual(Array.from({ length: 50 }, (_, index) => index))
    expect(log.filter((entry) => entry === 'commit')).toHaveLength(2)
  })

  it('answers only after the commit', async () => {
    let isCommitted = false
    const { db } = countingDatabase(async () => {
      isCommitted = true
    })
    await new GroupCommit(db).run(async () => expect(isCommitted).toBe(false))
    expect(isCommitted).toBe(true)
  })

  it('lets one bad piece fail alone', async () => {
    const { db } = countingDatabase(() => new Promise((resolve) => setTimeout(resolve, 1)))
    const commits = new GroupCommit(db)
    const results = await Promise.allSettled([1, 2, 3, 4].map((number) => commits.run(async () => (number === 3 ? Promise.reject(new Error('bad')) : number))))
    expect(results.map((result) => result.status)).toEqual(['fulfilled', 'fulfilled', 'rejected', 'fulfilled'])
  })

  it('refuses more than can be written in reasonable time, and recovers', async () => {
    const { db } = countingDatabase(() => new Promise((resolve) => setTimeout(resolve, 1)))
    const commits = new GroupCommit(db)
    const all = Array.from({ length: 5300 }, () => commits.run(async () => 1))
    const refused = (await Promise.allSettled(all)).filter((result) => result.status === 'rejected')
    expect(refused.length).toBeGreaterThan(0)
    expect(refused.every((result) => result.reason instanceof TooBusyError)).toBe(true)
    await expect(commits.run(async () => 2)).resolves.toBe(2)
  })
})
