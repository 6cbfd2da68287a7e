import { describe, expect, it } from 'vitest'
import { hardShare, worstLook } from './drawnContrast.ts'

const pixels = (...colours: [number, number, number, number][]) => new Uint8ClampedArray(colours.flat())

describe('text over pictures, as they are drawn', () => {
  const check = { partId: 'words', inks: ['#FFFFFF'], needed: 4.5 }

  it('counts the pixels against which a text has too little contrast', () => {
    const rgba = pixels([255, 255, 255, 255], [250, 250, 240, 255], [10, 10, 10, 255], [0, 0, 60, 255])
    const { share, ratio } = hardShare(rgba, check)
    expect(share).toBe(0.5)
    expect(ratio).toBeLessThan(1.2)
  })

  it('leaves out what shows the scene: nobody knows that', () => {
    expect(hardShare(pixels([255, 255, 255, 40], [255, 255, 255, 0]), check).share).toBe(0)
  })

  it('asks for every colour of the text', () => {
    const dark = pixels([0, 0, 0, 255])
    expect(hardShare(dark, { inks: ['#FFFFFF'], needed: 4.5 }).share).toBe(0)
    expect(hardShare(dark, { inks: ['#FFFFFF', '#101010'], needed: 4.5 }).share).toBe(1)
  })

  it('tells the worst moment, and nothing where a quarter is never hard to read', () => {
    const looks = [
      { atMs: 0, share: 0.1, ratio: 2 },
      { atMs: 500, share: 0.6, ratio: 1.4 },
      { atMs: 1000, share: 0.3, ratio: 1.2 },
    ]
    expect(worstLook(check, looks)).toMatchObject({ partId: 'words', atMs: 500, share: 0.6 })
    expect(worstLook(check, [{ atMs: 0, share: 0.24, ratio: 1 }])).toBeNull()
    expect(worstLook(check, [])).toBeNull()
  })
})
