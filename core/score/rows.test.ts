import { describe, expect, it } from 'vitest'
import { lanternLook } from '../look/lanternLook.ts'
import { starterComposition } from '../composition/starter.ts'
import { rulerTicks, scoreRows } from './rows.ts'
import { solveComposition } from './solveComposition.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }

describe('scoreRows', () => {
  it('lays what is in front on top and sounds at the foot, with the ties between them', () => {
    const composition = starterComposition(
      canvas,
      { headline: '{name}', second: 'joins' },
      { pictureId: null, soundId: null },
    )
    const solved = solveComposition(composition, { media: {}, messageText: '', look: lanternLook })
    const rows = solved.ok ? scoreRows(composition, solved.value.clips, solved.value.lengthMs) : []
    expect(rows.map((row) => row.partId)).toEqual(['second', 'headline', 'picture', 'sound'])
    expect(rows[1]).toMatchObject({
      caption: '{name}',
      startTie: { row: 2, atMs: 900, at: 'picture.entered' },
      endTie: { row: null, atMs: 7000 },
      startMs: 900,
    })
    expect([rows[3]?.startTie, rows[3]?.endTie]).toEqual([null, null])
  })
})

describe('rulerTicks', () => {
  it.each([
    [2000, 500],
    [7000, 1000],
    [15_000, 2000],
    [60_000, 5000],
  ])('ticks a score of %i ms every %i ms', (lengthMs, stepMs) => {
    const ticks = rulerTicks(lengthMs)
    expect((ticks[1]?.atMs ?? 0) - (ticks[0]?.atMs ?? 0)).toBe(stepMs)
    expect(ticks.at(-1)?.atMs).toBeLessThanOrEqual(lengthMs)
  })
})
