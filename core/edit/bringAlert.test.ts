import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boxDocument, type BoxDocument } from '../composition/box.ts'
import { plainBox } from '../composition/plainBox.ts'
import { starterAlert } from '../composition/starter.ts'
import type { EventKind } from '../events/kinds.ts'
import { bringAlert, takeOutAlert } from './bringAlert.ts'
import { changeBox } from './change.ts'
import { putOnCanvas } from './putOnCanvas.ts'

const wide = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const tall = { widthPx: 1080, heightPx: 1920, framesPerSecond: 60 }
const canvases = [wide, tall, { widthPx: 640, heightPx: 360, framesPerSecond: 30 }]
const boxOf = (canvas: typeof wide, kinds: readonly EventKind[]): BoxDocument =>
  plainBox(
    canvas,
    kinds.map((kind) => starterAlert(kind, canvas, { pictureId: null, soundId: null })),
  )
function changed(box: BoxDocument, edit: Parameters<typeof changeBox>[1]): BoxDocument {
  const result = changeBox(box, edit)
  if (!result.ok) throw new Error(result.error)
  return result.value.document
}

describe('an alert of another box', () => {
  it('is a new alert where there is none for such an event, laid out for the canvas that it comes to', () => {
    const from = boxOf(wide, ['follow'])
    const to = changed(boxOf(tall, ['raid']), bringAlert(from, { alertId: 'follow', variationId: null }))
    expect(to.alerts.map(({ kinds }) => kinds[0])).toEqual(['raid', 'follow'])
    const [was, is] = [from, to].map((box) =>
      box.alerts.find(({ id }) => id === 'follow')?.variations[0]?.composition.parts.find((part) => 'place' in part),
    )
    if (!was || !is || !('place' in was) || !('place' in is)) throw new Error('The starter shows nothing.')
    expect(is.place.xPx).toBeCloseTo((was.place.xPx * tall.widthPx) / wide.widthPx, 1)
  })
  it('has its cases asked before those that are there, each under a name of its own', () => {
    const from = boxOf(wide, ['tip'])
    const once = changed(boxOf(wide, ['tip']), bringAlert(from, { alertId: 'tip', variationId: null }))
    const twice = changed(once, bringAlert(from, { alertId: 'tip', variationId: null }))
    const ids = twice.alerts[0]?.variations.map(({ id }) => id) ?? []
    expect(twice.alerts).toHaveLength(1)
    expect([ids.length, new Set(ids).size]).toEqual([3, 3])
    expect(ids.at(-1)).toBe(from.alerts[0]?.variations[0]?.id)
  })
  it('leaves both boxes valid, and takes out no more than was brought, whatever they have', () => {
    const kinds = fc.uniqueArray(fc.constantFrom<EventKind>('follow', 'tip', 'raid', 'subscription'), { minLength: 1 })
    fc.assert(
      fc.property(
        kinds,
        kinds,
        fc.constantFrom(...canvases),
        fc.constantFrom(...canvases),
        fc.boolean(),
        (a, b, from, to, isWhole) => {
          const source = boxOf(from, a)
          const alert = source.alerts[0]
          if (!alert) return
          const brought = { alertId: alert.id, variationId: isWhole ? null : (alert.variations[0]?.id ?? '') }
          const target = boxOf(to, b)
          const after = changed(target, bringAlert(source, brought))
          expect(boxDocument.safeParse(after).success).toBe(true)
          const count = (box: BoxDocument) => box.alerts.reduce((sum, { variations }) => sum + variations.length, 0)
          const left = changed(source, takeOutAlert(brought))
          expect(boxDocument.safeParse(left).success).toBe(true)
          expect(count(after) - count(target)).toBe(count(source) - count(left))
          // The one that it came from is as it was.
          expect(source).toEqual(boxOf(from, a))
        },
      ),
      { numRuns: 60 },
    )
  })
  it('that is not there changes nothing', () => {
    const box = boxOf(wide, ['tip'])
    const result = changeBox(box, bringAlert(boxOf(wide, ['raid']), { alertId: 'follow', variationId: null }))
    expect(result.ok && result.value.change).toBeNull()
  })
})

describe('a box on another canvas', () => {
  it('is valid, keeps where things stand, and is as it was once it is put back', () => {
    const box = boxOf(wide, ['follow', 'tip'])
    const there = changed(box, putOnCanvas(tall))
    expect(there.canvas).toEqual(tall)
    expect(boxDocument.safeParse(there).success).toBe(true)
    const [before, after] = [box, there].map(({ alerts }) => JSON.stringify(alerts))
    expect(after).not.toBe(before)
    expect(changed(box, putOnCanvas(wide))).toEqual(box)
  })
})
