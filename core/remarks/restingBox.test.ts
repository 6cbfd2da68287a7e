import { describe, expect, it } from 'vitest'
import { starterBackdrop, starterLine, starterPicture } from '../composition/starterParts.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { resolveScore } from '../score/resolve.ts'
import type { ResolvedVisiblePart } from '../score/resolved.ts'
import { areaOf, sharedArea } from '../composition/canvasBox.ts'
import { restingBox, stayMs } from './restingBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const picture = {
  ...starterPicture(canvas, null),
  place: { xPx: 500, yPx: 400, origin: 'centre' as const },
  widthPx: 200,
  heightPx: 100,
}
const line = starterLine(canvas, 'headline', '{name}')
const layouts = new Map([
  [
    'headline',
    {
      lines: [{ pieces: [{ text: 'pip_rye', isValue: true }], widthPx: 400 }],
      sizePx: 100,
      widthPx: 400,
      heightPx: 124,
      isCut: false,
      units: [],
    },
  ],
])

function resolved(parts: Parameters<typeof resolveScore>[0]['parts']) {
  const result = resolveScore(
    { version: 4, length: { rule: 'fixed', ms: 7000 }, parts, silenced: [] },
    { canvas, look: lanternLook, zones: [], event: sampleEvent('follow'), locale: 'en', media: {} },
  )
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
const boxOf = (parts: Parameters<typeof resolved>[0], index = 0) => {
  const score = resolved(parts)
  return restingBox(score, layouts, score.parts[index] as ResolvedVisiblePart)
}

describe('where a part rests', () => {
  it('is looked at in the middle of its stay, away from both phases', () => {
    const part = resolved([picture]).parts[0] as ResolvedVisiblePart
    expect(stayMs(part)).toBe(Math.round((900 + 6700) / 2))
    expect(boxOf([picture])).toEqual({ left: 400, right: 600, top: 350, bottom: 450 })
  })

  it('is the box around it when it is turned', () => {
    expect(boxOf([{ ...picture, rotationDeg: 90 }])).toMatchObject({ left: 450, right: 550, top: 300, bottom: 500 })
  })

  it('follows the text that a plate hugs', () => {
    const plate = boxOf([starterBackdrop(canvas, ['headline']), line], 0)
    const text = boxOf([line])
    expect(plate && text && [text.left - plate.left, plate.right - text.right, text.top - plate.top]).toEqual([
      28, 28, 28,
    ])
  })

  it('is nowhere for text that was not measured', () => {
    const score = resolved([line])
    expect(restingBox(score, new Map(), score.parts[0] as ResolvedVisiblePart)).toBeNull()
  })
})

describe('boxes', () => {
  const box = (left: number, top: number, right: number, bottom: number) => ({ left, top, right, bottom })
  it('share what lies in both, and nothing where they only touch', () => {
    expect(sharedArea(box(0, 0, 10, 10), box(5, 5, 20, 20))).toBe(25)
    expect(sharedArea(box(0, 0, 10, 10), box(10, 0, 20, 10))).toBe(0)
    expect(areaOf(box(2, 3, 7, 13))).toBe(50)
  })
})
