import { describe, expect, it } from 'vitest'
import { plainBoard } from '../board/plainBoard.ts'
import { starterBoard } from '../board/starterBoard.ts'
import { newLive } from '../board/starterLive.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { ownFamilies } from './familiesOf.ts'
import { hasShapeOf } from './hasShapeOf.ts'
import { packedBoard } from './packedBoard.ts'

const wide = { widthPx: 1920, heightPx: 1080, framesPerSecond: 30 as const }
const small = { widthPx: 1280, heightPx: 720, framesPerSecond: 60 as const }
const tall = { widthPx: 1080, heightPx: 1920, framesPerSecond: 30 as const }

describe('a board that goes along with a pack', () => {
  it('leaves behind what is only of its channel, and is laid out for the canvas of the box', () => {
    const parts = [
      { ...newLive('bar', wide), goalId: 'oven' },
      { ...newLive('chat', wide), sources: ['feed:alder'] },
      newLive('sponsor', wide),
    ]
    const scene = packedBoard(plainBoard(wide, lanternLook, parts), small)
    expect(scene?.parts).toMatchObject([
      { kind: 'bar', goalId: null, widthPx: Math.round(((820 * 2) / 3) * 100) / 100 },
      { kind: 'chat', sources: null },
      { kind: 'sponsor' },
    ])
    expect(JSON.stringify(scene)).not.toMatch(/oven|feed:alder/)
  })

  it('goes with boxes of its shape only', () => {
    expect(packedBoard(plainBoard(wide, lanternLook, starterBoard(wide)), tall)).toBeNull()
    expect(hasShapeOf(wide, small)).toBe(true)
    expect(hasShapeOf(wide, { widthPx: 1920, heightPx: 1200 })).toBe(false)
  })

  it('takes typefaces of its own along', () => {
    const own = { ...newLive('tally', wide), type: { own: { family: 'Baker Hand', weight: 400 } } }
    expect(ownFamilies(plainBoard(wide, lanternLook, [own]))).toEqual(['Baker Hand'])
  })
})
