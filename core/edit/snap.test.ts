import { describe, expect, it } from 'vitest'
import { snapDrag } from './snap.ts'

const canvas = { widthPx: 1000, heightPx: 500, framesPerSecond: 60 }
const box = { left: 100, right: 300, top: 100, bottom: 200 }

describe('snapDrag', () => {
  it('pulls the middle of the box to the middle of the canvas', () => {
    expect(snapDrag(box, 296, 103, canvas, 8)).toEqual({ dxPx: 300, dyPx: 100, guideX: 500, guideY: 250 })
  })

  it('pulls an edge to the safe area', () => {
    expect(snapDrag(box, -47, 0, canvas, 8)).toMatchObject({ dxPx: -50, guideX: 50 })
  })

  it('lets go outside its reach, and with none at all', () => {
    expect(snapDrag(box, 280, 20, canvas, 8)).toEqual({ dxPx: 280, dyPx: 20, guideX: null, guideY: null })
    expect(snapDrag(box, 299, 100, canvas, 0)).toMatchObject({ dxPx: 299, guideX: null })
  })
})
