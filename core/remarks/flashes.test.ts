import { describe, expect, it } from 'vitest'
import { flashRemarks } from './flashes.ts'
import type { RemarkContext } from './remark.ts'
import type { Seen, SeenFlash } from './seen.ts'

const flash = { is: 'general', ground: 'dark', fromMs: 1200, untilMs: 2100, changes: 9, area: 0.62 } as const
const remarked = (flashes: readonly SeenFlash[]) =>
  flashRemarks({ seen: { flashes, texts: [] } satisfies Seen } as unknown as RemarkContext)

describe('flashes that were seen', () => {
  it('are told once for both grounds, with what may be how much fainter', () => {
    const calmer = [{ partId: 'picture', share: 0.25 }]
    const remarks = remarked([
      { ...flash, calmer },
      { ...flash, ground: 'bright', changes: 8, calmer },
    ])
    expect(remarks).toMatchObject([{ partId: 'picture', level: 'wrong', remedy: { type: 'calm', parts: calmer } }])
    expect(remarks[0]?.words).toContain('flashes 5 times in the second from 1.20 s on, over 62 %')
  })
  it('are told of each kind; without a remedy where nothing calms them', () => {
    const remarks = remarked([
      { ...flash, calmer: null },
      { ...flash, is: 'red', calmer: null },
    ])
    expect(remarks.map(({ words }) => words.includes('in red'))).toEqual([false, true])
    expect(remarks.every(({ remedy, partId }) => remedy === null && partId === null)).toBe(true)
  })
  it('are nothing where nobody has looked, and where all is calm', () => {
    expect(remarked([])).toEqual([])
    expect(flashRemarks({} as unknown as RemarkContext)).toEqual([])
  })
})
