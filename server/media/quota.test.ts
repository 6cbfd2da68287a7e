import { describe, expect, it } from 'vitest'
import { quotaOf, quotaRefusal } from './quota.ts'

describe('how much media may take', () => {
  it('is as much as there is room where nobody said', () => {
    expect(quotaRefusal(1e12, quotaOf({ THUNDERCREST_CHANNEL_MEDIA_MB: undefined }))).toBeNull()
  })
  it('is said with what to do where it is full', () => {
    const quota = quotaOf({ THUNDERCREST_CHANNEL_MEDIA_MB: 2 })
    expect(quotaRefusal(2 * 1024 * 1024 - 1, quota)).toBeNull()
    expect(quotaRefusal(2 * 1024 * 1024, quota)).toContain('take 2 MiB of the 2 MiB that they may')
  })
})
