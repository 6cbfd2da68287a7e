import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { starterBackdrop, starterSound } from '../composition/starterParts.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { solveComposition } from '../score/solveComposition.ts'
import { addAlert } from './addAlert.ts'
import { addPart } from './addPart.ts'
import { changeBox, type Change, type Edit } from './change.ts'
import { applyPatches } from './applyPatches.ts'
import { changeParts } from './changeParts.ts'
import { describeDifferences } from './differences/describeDifferences.ts'
import { emptyHistory, redo, remember, undo } from './history.ts'
import { removeParts } from './removeParts.ts'
import { setAlertOn } from './setAlertOn.ts'
import { setScoreLength } from './setScoreLength.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const address = { alertId: 'follow', variationId: 'follow-everyday' }
const start: BoxDocument = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
const words = (template: string): Edit =>
  changeParts(address, ['headline'], 'line', 'words', (part) => void (part.template = template))
const partsOf = (document: BoxDocument) => document.alerts[0]?.variations[0]?.composition.parts ?? []

function changed(document: BoxDocument, edit: Edit): { document: BoxDocument; change: Change } {
  const result = changeBox(document, edit)
  if (!result.ok || !result.value.change) throw new Error(result.ok ? 'nothing changed' : result.error)
  return { document: result.value.document, change: result.value.change }
}

describe('edits', () => {
  it('leave the document that they were made from alone', () => {
    const before = structuredClone(start)
    changed(start, words('hello'))
    expect(start).toEqual(before)
  })

  it('change nothing, and say why, when the result would not be valid', () => {
    expect(
      changeBox(
        start,
        changeParts(address, ['headline'], 'line', 'size', (part) => void (part.sizePx = -4)),
      ),
    ).toMatchObject({ ok: false, error: expect.stringContaining('sizePx') })
    expect(changeBox(start, setScoreLength(address, { rule: 'fixed', ms: 90_000 })).ok).toBe(false)
  })

  it('make no change where nothing is different, or where the part is gone or of another kind', () => {
    for (const edit of [
      setAlertOn('follow', true),
      changeParts(address, ['gone'], 'line', 'words', (part) => void (part.template = 'x')),
      changeParts(address, ['headline'], 'sound', 'volume', (part) => void (part.trimDb = 0)),
    ]) {
      expect(changeBox(start, edit)).toMatchObject({ ok: true, value: { change: null } })
    }
  })

  it('give a new part an id of its own', () => {
    const once = changed(start, addPart(address, starterSound(null))).document
    const twice = changed(once, addPart(address, starterSound(null))).document
    expect(partsOf(twice).map((part) => part.id)).toEqual([
      'picture',
      'headline',
      'second',
      'sound',
      'sound-2',
      'sound-3',
    ])
  })

  it('leave a playable score when a part is removed that others hang on', () => {
    const plate = changed(
      start,
      addPart(address, starterBackdrop(canvas, ['headline'], { at: 'headline.start', offsetMs: -100 })),
    ).document
    const { document } = changed(plate, removeParts(address, ['headline']))
    const composition = document.alerts[0]?.variations[0]?.composition
    expect(composition && solveComposition(composition, { media: {}, messageText: '', look: lanternLook }).ok).toBe(
      true,
    )
    expect(partsOf(document).find((part) => part.kind === 'backdrop')).toMatchObject({
      hugs: [],
      clip: { start: { at: 'score.start', offsetMs: 0 } },
    })
  })

  it('add one alert for a kind, not two', () => {
    const tip = starterAlert('tip', canvas, { pictureId: null, soundId: null })
    const { document } = changed(start, addAlert(tip))
    expect(changeBox(document, addAlert(tip))).toMatchObject({ ok: true, value: { change: null } })
  })
})

describe('history', () => {
  it('takes back and makes again, step by step, to exactly the same documents', () => {
    const edits = fc.array(
      fc.oneof(
        fc.string({ maxLength: 20 }).map(words),
        fc.integer({ min: 500, max: 9000 }).map((ms) => setScoreLength(address, { rule: 'fixed', ms })),
        fc.boolean().map((isOn) => setAlertOn('follow', isOn)),
        fc.constantFrom('second', 'picture').map((id) => removeParts(address, [id])),
      ),
      { maxLength: 15 },
    )
    fc.assert(
      fc.property(edits, (list) => {
        let document = start
        let history = emptyHistory
        const seen = [start]
        list.forEach((edit, index) => {
          const result = changeBox(document, edit)
          if (!result.ok || !result.value.change) return
          document = result.value.document
          history = remember(history, result.value.change, index * 10_000)
          seen.push(document)
        })
        for (const expected of seen.slice(0, -1).reverse()) {
          const back = undo(history, document)
          if (!back) return expect.fail('there was something to undo')
          expect(back.document).toEqual(expected)
          ;({ document, history } = back)
        }
        expect(undo(history, document)).toBeNull()
        for (const expected of seen.slice(1)) {
          const again = redo(history, document)
          if (!again) return expect.fail('there was something to redo')
          expect(again.document).toEqual(expected)
          ;({ document, history } = again)
        }
      }),
    )
  })

  it('counts quick repeats of one edit as one step, slow ones as two', () => {
    const first = changed(start, words('a'))
    const second = changed(first.document, words('ab'))
    const quick = remember(remember(emptyHistory, first.change, 1000), second.change, 1300)
    expect(quick.past).toHaveLength(1)
    expect(undo(quick, second.document)?.document).toEqual(start)
    expect(remember(remember(emptyHistory, first.change, 1000), second.change, 3000).past).toHaveLength(2)
  })

  it('sends patches that make the same document elsewhere', () => {
    const { document, change } = changed(start, words('{name} is here'))
    expect(applyPatches(structuredClone(start), JSON.parse(JSON.stringify(change.patches)))).toEqual(document)
  })

  it('forgets what could be made again once something else is done', () => {
    const first = changed(start, words('a'))
    const back = undo(remember(emptyHistory, first.change, 0), first.document)
    const other = changed(start, words('b'))
    expect(remember(back?.history ?? emptyHistory, other.change, 5000).future).toEqual([])
  })
})

describe('describeDifferences of what a box has beside its alerts', () => {
  const zone = {
    id: 'cam',
    name: 'Oven cam',
    purpose: 'camera' as const,
    xPx: 40,
    yPx: 40,
    widthPx: 420,
    heightPx: 300,
  }
  it('names zones that are new, moved and gone', () => {
    const zoned = { ...start, zones: [zone] }
    expect(describeDifferences(start, zoned)).toEqual([
      { kind: null, subject: 'Zone Oven cam', what: 'new', before: '', after: 'camera, 420 × 300 at 40, 40' },
    ])
    expect(describeDifferences(zoned, { ...start, zones: [{ ...zone, xPx: 90 }] })).toMatchObject([
      { what: 'zone', after: 'camera, 420 × 300 at 90, 40' },
    ])
    expect(describeDifferences(zoned, start)).toMatchObject([{ what: 'removed' }])
  })
  it('counts keyframes instead of listing them', () => {
    const frames = [0, 500].map((atMs) => ({ atMs, value: 1, easing: 'linear' as const }))
    const { document } = changed(
      start,
      changeParts(
        address,
        ['headline'],
        'line',
        'keys',
        (part) => void (part.keyframes = [{ property: 'scale', frames }]),
      ),
    )
    expect(describeDifferences(start, document)).toMatchObject([
      { subject: 'Headline', what: 'keyframes', before: 'none', after: '2 keyframes' },
    ])
  })
})

describe('describeDifferences', () => {
  it('finds none between a box and itself', () => {
    expect(describeDifferences(start, structuredClone(start))).toEqual([])
  })

  it('lists every alert of a box that was never on air', () => {
    expect(describeDifferences(null, start)).toEqual([
      { kind: 'follow', subject: 'Alert', what: 'new', before: '', after: 'on' },
    ])
  })

  it('calls media files by their names', () => {
    const file = 'a'.repeat(64)
    const { document } = changed(
      start,
      changeParts(address, ['picture'], 'picture', 'picture', (part) => void (part.mediaId = file)),
    )
    expect(describeDifferences(start, document, { names: { [file]: 'A lantern' } })).toEqual([
      { kind: 'follow', subject: 'Picture', what: 'file', before: 'none', after: 'A lantern' },
    ])
  })

  it('says in words what was changed, from what to what', () => {
    let document = start
    for (const edit of [
      words('{name} joins'),
      setScoreLength(address, { rule: 'fixed', ms: 8000 }),
      setAlertOn('follow', false),
      removeParts(address, ['second']),
      addPart(address, starterSound(null)),
    ])
      document = changed(document, edit).document
    expect(describeDifferences(start, document)).toEqual([
      { kind: 'follow', subject: 'Alert', what: 'switched', before: 'on', after: 'off' },
      { kind: 'follow', subject: 'Everyday', what: 'duration', before: 'fixed · 7.00 s', after: 'fixed · 8.00 s' },
      { kind: 'follow', subject: 'Headline', what: 'words', before: '“{name}”', after: '“{name} joins”' },
      { kind: 'follow', subject: 'Sound', what: 'new', before: '', after: 'sound' },
      { kind: 'follow', subject: 'Second line', what: 'removed', before: 'line', after: '' },
    ])
  })
})
