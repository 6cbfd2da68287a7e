import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arrange } from '../arrange/arrange.ts'
import { layoutNames } from '../arrange/layouts.ts'
import { roomFor } from '../arrange/roomFor.ts'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { starterBackdrop, starterParticles, starterShape } from '../composition/starterParts.ts'
import type { Zone } from '../composition/zone.ts'
import { copyOf } from '../copyOf.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { isTextPart, isVisiblePart, type Part } from '../score/parts/part.ts'
import { solveComposition } from '../score/solveComposition.ts'
import { addPart } from './addPart.ts'
import { changeBox, type Edit } from './change.ts'
import { dragClip, tieEdge, untieEdge, type ClipHandle } from './clipEdits.ts'
import { groupParts, ungroupParts, withGroups } from './groupParts.ts'
import { orderParts } from './orderParts.ts'
import { pasteParts } from './pasteParts.ts'
import { pasteMotion, pasteStyle, takesStyle } from './pasteStyle.ts'
import { middleOf, resizeBox, turnTowards, type StageBox } from './resizeBox.ts'
import { snapDrag } from './snap.ts'
import { addZone, changeZone, removeZone } from './zoneEdits.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const address = { alertId: 'follow', variationId: 'follow-everyday' }
const start: BoxDocument = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
const edited = (document: BoxDocument, edit: Edit): BoxDocument => {
  const result = changeBox(document, edit)
  if (!result.ok) throw new Error(result.error)
  return result.value.document
}
const compositionOf = (document: BoxDocument) => document.alerts[0]!.variations[0]!.composition
const partsOf = (document: BoxDocument) => compositionOf(document).parts
const idsOf = (document: BoxDocument) => partsOf(document).map((part) => part.id)
const solvedOf = (parts: Part[]) => {
  const solved = solveComposition({ ...compositionOf(start), parts }, { media: {}, messageText: '', look: lanternLook })
  if (!solved.ok) throw new Error(solved.error.type)
  return solved.value.clips
}

describe('dragging a clip', () => {
  const dragged = (id: string, handle: ClipHandle, byMs: number) => {
    const parts = copyOf(partsOf(start))
    const part = parts.find((each) => each.id === id)!
    dragClip(part, { clip: copyOf(part.clip), solved: solvedOf(parts)[id]! }, handle, byMs, lanternLook)
    return { part, solved: solvedOf(parts)[id]!, before: solvedOf(partsOf(start))[id]! }
  }

  it('moves exactly what is held, by exactly as much, and keeps its anchor', () => {
    const { part, solved, before } = dragged('headline', 'start', 250)
    expect([solved.startMs - before.startMs, solved.endMs]).toEqual([250, before.endMs])
    expect(part.clip.start).toEqual({ at: 'picture.entered', offsetMs: 250 })
    expect(dragged('headline', 'end', -400).solved.endMs).toBe(before.endMs - 400)
    expect(dragged('headline', 'entrance', 100).solved.entranceMs).toBe(before.entranceMs + 100)
    expect(dragged('headline', 'exit', -100).solved.exitMs).toBe(before.exitMs + 100)
  })

  it('never makes a clip shorter than can be grasped, nor lets it begin before the score', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<ClipHandle>('whole', 'start', 'end', 'entrance', 'exit'),
        fc.constantFrom('picture', 'headline', 'second'),
        fc.integer({ min: -20_000, max: 20_000 }),
        (handle, id, byMs) => {
          const { solved } = dragged(id, handle, byMs)
          expect(solved.startMs).toBeGreaterThanOrEqual(0)
          if (handle !== 'whole') expect(solved.endMs - solved.startMs).toBeGreaterThanOrEqual(50)
          expect(solved.entranceMs + solved.exitMs).toBeLessThanOrEqual(Math.max(0, solved.endMs - solved.startMs))
        },
      ),
    )
  })

  it('ties an edge to a moment, and unties it where it is', () => {
    const parts = copyOf(partsOf(start))
    const second = parts.find((part) => part.id === 'second')!
    tieEdge(second, 'start', 'picture.start')
    tieEdge(second, 'end', 'headline.leaving')
    const tied = solvedOf(parts)
    expect([tied.second?.startMs, tied.second?.endMs]).toEqual([0, 6700])
    untieEdge(second, 'start', tied.second!)
    untieEdge(second, 'end', tied.second!)
    expect(solvedOf(parts).second).toEqual(tied.second)
  })
})

describe('pulling a box', () => {
  const box: StageBox = {
    place: { xPx: 500, yPx: 400, origin: 'topLeft' },
    widthPx: 200,
    heightPx: 100,
    rotationDeg: 0,
  }
  it('leaves the opposite corner where it is, however the box is turned and held', () => {
    const corner = (of: StageBox, x: number, y: number) => {
      const middle = middleOf(of)
      const angle = (of.rotationDeg * Math.PI) / 180
      const [dx, dy] = [(x * of.widthPx) / 2, (y * of.heightPx) / 2]
      return [
        middle.xPx + dx * Math.cos(angle) - dy * Math.sin(angle),
        middle.yPx + dx * Math.sin(angle) + dy * Math.cos(angle),
      ] as const
    }
    const side = fc.constantFrom<-1 | 1>(-1, 1)
    fc.assert(
      fc.property(
        fc.integer({ min: -180, max: 180 }),
        side,
        side,
        fc.integer({ min: -50, max: 300 }),
        fc.integer({ min: -30, max: 300 }),
        fc.constantFrom('topLeft' as const, 'centre' as const, 'bottomRight' as const),
        (rotationDeg, x, y, dx, dy, origin) => {
          const turned = { ...box, rotationDeg, place: { ...box.place, origin } }
          const after = resizeBox(turned, { x, y }, dx, dy, false)
          const [wasX, wasY] = corner(turned, -x, -y)
          const [isX, isY] = corner(after, -x, -y)
          expect(Math.hypot(isX - wasX, isY - wasY)).toBeLessThan(1.6)
          expect(Math.min(after.widthPx, after.heightPx)).toBeGreaterThanOrEqual(8)
        },
      ),
    )
  })
  it('keeps the shape at a corner when asked', () =>
    expect(resizeBox(box, { x: 1, y: 1 }, 200, 0, true)).toMatchObject({ widthPx: 400, heightPx: 200 }))
  it('points upright at what is above, and snaps to steps', () => {
    expect(turnTowards(box, 600, 0, true)).toBe(0)
    expect(turnTowards(box, 1200, 452, true)).toBe(90)
    expect(turnTowards(box, 1200, 452, false)).toBeCloseTo(90.2, 1)
  })
  it('snaps to other parts’ edges and middles', () => {
    const other = { left: 1000, right: 1100, top: 0, bottom: 50 }
    expect(snapDrag({ left: 100, right: 300, top: 100, bottom: 200 }, 897, 0, canvas, 6, [other])).toMatchObject({
      dxPx: 900,
      guideX: 1000,
    })
    expect(snapDrag({ left: 100, right: 300, top: 100, bottom: 200 }, 897, 0, canvas, 2, [other])).toMatchObject({
      dxPx: 897,
      guideX: null,
    })
  })
})

describe('order, groups and copies', () => {
  it('order parts among the others and keep theirs', () => {
    expect(idsOf(edited(start, orderParts(address, ['picture', 'second'], 'front')))).toEqual([
      'headline',
      'sound',
      'picture',
      'second',
    ])
    expect(idsOf(edited(start, orderParts(address, ['second'], 'backward')))).toEqual([
      'picture',
      'second',
      'headline',
      'sound',
    ])
    expect(idsOf(edited(start, orderParts(address, ['sound'], 'back')))).toEqual([
      'sound',
      'picture',
      'headline',
      'second',
    ])
    expect(changeBox(start, orderParts(address, ['picture'], 'back'))).toMatchObject({ value: { change: null } })
  })

  it('select together what is grouped, until it is let go', () => {
    const grouped = edited(start, groupParts(address, compositionOf(start), ['headline', 'second']))
    expect(withGroups(compositionOf(grouped), ['second'])).toEqual(['headline', 'second'])
    expect(
      withGroups(compositionOf(edited(grouped, ungroupParts(address, compositionOf(grouped), ['second']))), ['second']),
    ).toEqual(['second'])
  })

  it('copy parts with the ties among them, moved so that they are seen', () => {
    const picked = partsOf(start).filter((part) => part.id !== 'sound')
    const { edit, partIds } = pasteParts(address, idsOf(start), picked, true)
    const pasted = edited(start, edit)
    expect(partIds).toEqual(['picture-2', 'headline-2', 'second-2'])
    const headline = partsOf(pasted).find((part) => part.id === 'headline-2')
    expect(headline?.clip.start.at).toBe('picture-2.entered')
    expect(headline && isVisiblePart(headline) && headline.place.xPx).toBe(984)
  })

  it('copy into another alert without ties to what is not there', () => {
    const [, headline] = partsOf(start)
    const { edit } = pasteParts(address, [], headline ? [headline] : [], false)
    const empty = edited(start, {
      label: '',
      recipe: (draft) => void (draft.alerts[0]!.variations[0]!.composition.parts = []),
    })
    expect(partsOf(edited(empty, edit))).toMatchObject([
      { id: 'headline', clip: { start: { at: 'score.start', offsetMs: 0 } } },
    ])
  })

  it('give style and motion without words, place or time', () => {
    const [picture, headline, second] = copyOf(partsOf(start)) as [Part, Part, Part]
    const before = copyOf(second)
    pasteStyle(headline, second)
    pasteMotion(picture, second)
    if (!isTextPart(second) || !isTextPart(before) || !isTextPart(headline) || !isVisiblePart(picture))
      throw new Error('they are')
    expect([second.sizePx, second.ink, second.motion]).toEqual([headline.sizePx, headline.ink, picture.motion])
    expect([second.place, second.clip, second.name]).toEqual([before.place, before.clip, before.name])
    expect(takesStyle(picture, second)).toBe(false)
  })
})

describe('zones', () => {
  const zone: Zone = { id: 'cam', name: 'Oven cam', purpose: 'camera', xPx: 40, yPx: 40, widthPx: 500, heightPx: 400 }
  it('are added, changed and taken away, and particles that flew in one fly on', () => {
    const flying = { ...starterParticles(canvas, 'embers'), area: { of: 'zone' as const, zoneId: 'cam' } }
    const added = edited(edited(edited(start, addZone(zone)), addZone(zone)), addPart(address, flying))
    expect(added.zones.map((each) => each.id)).toEqual(['cam', 'cam-2'])
    expect(edited(added, changeZone('cam', { name: 'Bench cam' })).zones[0]?.name).toBe('Bench cam')
    const without = edited(added, removeZone('cam'))
    expect(partsOf(without).find((part) => part.kind === 'particles')).toMatchObject({ area: { of: 'canvas' } })
  })

  it('leave the largest room that keeps clear of them', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            xPx: fc.integer({ min: 0, max: 1700 }),
            yPx: fc.integer({ min: 0, max: 900 }),
            widthPx: fc.integer({ min: 20, max: 600 }),
            heightPx: fc.integer({ min: 20, max: 400 }),
          }),
          { maxLength: 4 },
        ),
        (boxes) => {
          const zones = boxes.map((box, index) => ({ ...zone, ...box, id: `z${index}` }))
          const room = roomFor(canvas, zones)
          expect(room.right - room.left).toBeGreaterThanOrEqual(canvas.widthPx * 0.3)
          const isSafeArea =
            room.right - room.left > canvas.widthPx * 0.89 && room.bottom - room.top > canvas.heightPx * 0.89
          if (isSafeArea) return
          for (const each of zones)
            expect(
              each.xPx >= room.right ||
                each.xPx + each.widthPx <= room.left ||
                each.yPx >= room.bottom ||
                each.yPx + each.heightPx <= room.top,
            ).toBe(true)
        },
      ),
    )
  })
})

describe.each(layoutNames)('the layout %s', (layout) => {
  const zones: Zone[] = [
    { id: 'cam', name: 'Oven cam', purpose: 'camera', xPx: 1400, yPx: 700, widthPx: 480, heightPx: 360 },
  ]
  const rich = edited(
    edited(
      edited(start, addPart(address, starterBackdrop(canvas, ['headline', 'second']))),
      addPart(address, starterShape(canvas)),
    ),
    addPart(address, starterParticles(canvas, 'gust')),
  )
  it.each([false, true])('arranges what is there and loses nothing (mirrored: %s)', (isMirrored) => {
    const after = edited(rich, arrange(address, layout, canvas, zones, isMirrored))
    expect(idsOf(after).sort()).toEqual(idsOf(rich).sort())
    const find = (document: BoxDocument, id: string) => partsOf(document).find((part) => part.id === id)
    for (const id of ['sound', 'gust', 'shape']) expect(find(after, id)).toEqual(find(rich, id))
    expect(find(after, 'headline')).toMatchObject({ template: '{name}' })
    const [first, second] = ['headline', 'second'].map((id) => find(after, id))
    if (!first || !second || !isTextPart(first) || !isTextPart(second)) throw new Error('they are')
    expect(first.place.yPx + (first.sizePx * first.lineHeight) / 2).toBeLessThanOrEqual(
      second.place.yPx - (second.sizePx * second.lineHeight) / 2 + 1,
    )
    const picture = find(after, 'picture')
    if (picture?.kind !== 'picture' || layout === 'fullScreen') return
    const right = picture.place.xPx + picture.widthPx / 2
    const bottom = picture.place.yPx + picture.heightPx / 2
    expect(right <= 1400 || bottom <= 700).toBe(true)
    expect(solveComposition(compositionOf(after), { media: {}, messageText: '', look: lanternLook }).ok).toBe(true)
  })
})
