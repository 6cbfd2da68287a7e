import { describe, expect, it, vi } from 'vitest'
import { GroupCommit, TooBusyError } from './groupCommit.ts'

/** Doubles numbers in groups, `pauseMs` each; 13 makes its whole group fail. */
function doubling(pauseMs = 1) {
  const groups: number[][] = []
  const commits = new GroupCommit<number, number>({
    commit: async (items) => {
      await new Promise((resolve) => setTimeout(resolve, pauseMs))
      if (items.includes(13)) throw new Error('unlucky')
      groups.push([...items])
      return items.map((item) => item * 2)
    },
  })
  return { commits, groups }
}

describe('GroupCommit', () => {
  it('writes together what arrives while another group is written, and answers each with its own', async () => {
    const { commits, groups } = doubling()
    const values = await Promise.all(Array.from({ length: 50 }, (_, index) => commits.add(index + 100)))
    expect(values).toEqual(Array.from({ length: 50 }, (_, index) => (index + 100) * 2))
    expect(groups.map((group) => group.length)).toEqual([1, 49])
  })

  it('answers only after the write', async () => {
    let isWritten = false
    const commits = new GroupCommit<string, string>({
      commit: async (items) => {
        await new Promise((resolve) => setTimeout(resolve, 5))
        isWritten = true
        return items
      },
    })
    await commits.add('x')
    expect(isWritten).toBe(true)
  })

  it('lets one bad item fail alone', async () => {
    const { commits } = doubling()
    const results = await Promise.allSettled([1, 2, 13, 4].map((number) => commits.add(number)))
    expect(results.map((result) => (result.status === 'fulfilled' ? result.value : 'failed'))).toEqual([
      2,
      4,
      'failed',
      8,
    ])
  })

  it('tries again what fails through no fault of its own, and says that it may be there already', async () => {
    const asked: boolean[] = []
    const commits = new GroupCommit<string, string>({
      commit: async (items, isAgain) => {
        asked.push(isAgain)
        // The first is written, and only its answer is lost.
        if (asked.length === 1) throw new Error('connection lost')
        return items
      },
      isPassing: (error) => error instanceof Error && error.message === 'connection lost',
    })
    expect(await commits.add('x')).toBe('x')
    expect(await commits.add('y')).toBe('y')
    expect(asked).toEqual([false, true, false])
  })

  it('tells everybody after a while, and those who come then at once', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'performance'] })
    let isDown = true
    const commits = new GroupCommit<string, string>({
      commit: async (items) => {
        if (isDown) throw new Error('down')
        return items
      },
      isPassing: () => true,
    })
    const first = commits.add('x').catch((error: Error) => error.message)
    await vi.advanceTimersByTimeAsync(3000)
    expect(await first).toBe('down')
    expect(await commits.add('y').catch((error: Error) => error.message)).toBe('down')
    isDown = false
    expect(await commits.add('z')).toBe('z')
    vi.useRealTimers()
  })

  it('refuses more than can be written in reasonable time, and recovers', async () => {
    const { commits } = doubling()
    const results = await Promise.allSettled(Array.from({ length: 5300 }, () => commits.add(1)))
    const refused = results.filter((result) => result.status === 'rejected')
    expect(refused.length).toBeGreaterThan(0)
    expect(refused.every((result) => result.reason instanceof TooBusyError)).toBe(true)
    await expect(commits.add(2)).resolves.toBe(4)
  })
})
