import { describe, expect, it } from 'vitest'
import { lockFolder } from './folderLock.ts'

describe('lockFolder', () => {
  it('keeps a second one out until the first lets go', async () => {
    const folder = `/some/folder/${Math.random()}`
    const unlock = await lockFolder(folder)
    await expect(lockFolder(folder, 0)).rejects.toThrow(/Another Thundercrest/)
    const waiting = lockFolder(folder, 3000)
    await unlock()
    await (
      await waiting
    )()
  })
})
