import { describe, expect, it } from 'vitest'
import { mainKind } from '../composition/box.ts'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { sampleEvent } from '../events/sampleEvent.ts'
import { isTextPart, isVisiblePart } from '../score/parts/part.ts'
import { resolveScore } from '../score/resolve.ts'
import { applyEverywhere, counterparts } from './applyEverywhere.ts'
import { changeBox, type Change, type Edit } from './change.ts'
import { applyPatches } from './applyPatches.ts'
import { changeLook } from './changeLook.ts'
import { mixedFields } from './mixedFields.ts'
import { changeParts } from './changeParts.ts'
import { emptyHistory, joinPatches, remember, undo } from './history.ts'
import { replaceBox } from './replaceBox.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const media = { pictureId: null, soundId: null }
const start: BoxDocument = plainBox(canvas, [
  starterAlert('follow', canvas, media),
  starterAlert('tip', canvas, media),
  starterAlert('raid', canvas, media),
])
const address = { alertId: 'follow', variationId: 'follow-everyday' }
const changed = (document: BoxDocument, edit: Edit): { document: BoxDocument; change: Change } => {
  const result = changeBox(document, edit)
  if (!result.ok || !result.value.change) throw new Error(result.ok ? 'nothing changed' : result.error)
  return { document: result.value.document, change: result.value.change }
}
const headlineOf = (document: BoxDocument, alert: number) => {
  const part = document.alerts[alert]?.variations[0]?.composition.parts.find((each) => each.id === 'headline')
  if (!part || !isTextPart(part) || part.kind !== 'line') throw new Error('it has one')
  return part
}

describe('the look of a box', () => {
  it('reaches every alert at once, but what has a value of its own', () => {
    const own = changed(
      start,
      changeParts(address, ['headline'], 'line', 'colour', (part) => void (part.ink = { own: '#112233' })),
    ).document
    const { document } = changed(
      own,
      changeLook(null, 'headline colour', (look) => void (look.palette.headline = '#ABCDEF')),
    )
    const inks = document.alerts.map((alert) => {
      const score = resolveScore(alert.variations[0]!.composition, {
        canvas,
        look: document.look,
        zones: [],
        event: sampleEvent(mainKind(alert)),
        locale: 'en',
        media: {},
      })
      const part = score.ok ? score.value.parts.find((each) => each.id === 'headline') : null
      return part?.kind === 'line' ? part.ink : null
    })
    expect(inks).toEqual(['#112233', '#ABCDEF', '#ABCDEF'])
  })
})

describe('one part’s style in every alert', () => {
  it('goes to parts of the same kind and name, without their words, place and time', () => {
    const tuned = changed(
      start,
      changeParts(address, ['headline'], 'line', 'tune', (part) => {
        part.sizePx = 77
        part.letters = { motion: 'sway', unit: 'word', order: 'end', staggerMs: 10, ms: 500, strength: 1 }
        part.motion.entrance = { motion: 'roll', ms: 700, easing: null }
      }),
    ).document
    const from = headlineOf(tuned, 0)
    expect(counterparts(tuned, from).map((each) => each.alertId)).toEqual(['follow', 'tip', 'raid'])
    const { document } = changed(tuned, applyEverywhere(from))
    for (const alert of [1, 2]) {
      const [after, before] = [headlineOf(document, alert), headlineOf(start, alert)]
      expect([after.sizePx, after.letters, after.motion]).toEqual([77, from.letters, from.motion])
      expect([after.template, after.place, after.clip]).toEqual([before.template, before.place, before.clip])
      const picture = document.alerts[alert]?.variations[0]?.composition.parts.find((each) => each.kind === 'picture')
      expect(picture && isVisiblePart(picture) && picture.motion.entrance).toEqual({ role: 'enter' })
    }
  })
})

describe('a long drag in the history', () => {
  it('is one step with one patch a value, and goes back to where it began', () => {
    let document = start
    let history = emptyHistory
    for (let step = 1; step <= 200; step++) {
      const moved = changed(
        document,
        changeParts(
          address,
          ['headline'],
          'line',
          'position',
          (part) => void Object.assign(part.place, { xPx: 960 + step, yPx: 700 - step }),
        ),
      )
      document = moved.document
      history = remember(history, moved.change, 1000 + step * 16)
    }
    expect([history.past.length, history.past[0]?.patches.length]).toEqual([1, 2])
    expect(undo(history, document)?.document).toEqual(start)
  })

  it('joins patches to what has the same effect', () => {
    const a = changed(
      start,
      changeParts(address, ['headline'], 'line', 'a', (part) => void (part.sizePx = 50)),
    )
    const b = changed(
      a.document,
      changeParts(address, ['second'], 'line', 'b', (part) => void (part.sizePx = 51)),
    )
    const c = changed(
      b.document,
      changeParts(address, ['second'], 'line', 'b', (part) => void (part.sizePx = 52)),
    )
    const joined = joinPatches(joinPatches(a.change.patches, b.change.patches), c.change.patches)
    expect(joined).toHaveLength(2)
    expect(applyPatches(start, joined)).toEqual(c.document)
  })
})

describe('checking an edit', () => {
  it('finds what is wrong in the very composition that was changed, with its path', () => {
    expect(
      changeBox(
        start,
        changeParts(
          { alertId: 'raid', variationId: 'raid-everyday' },
          ['headline'],
          'line',
          'x',
          (part) => void (part.opacity = 7),
        ),
      ),
    ).toMatchObject({ ok: false, error: expect.stringMatching(/^raid › raid-everyday › parts › 1 › opacity/) })
  })
  it('checks the whole where more than compositions changed', () => {
    const twice = { ...start, alerts: [...start.alerts, { ...starterAlert('tip', canvas, media), id: 'tip-2' }] }
    expect(changeBox(start, replaceBox(twice, 'bring back'))).toMatchObject({
      ok: false,
      error: expect.stringContaining('two alerts for tip'),
    })
  })
})

describe('several parts at once', () => {
  const parts = start.alerts[0]?.variations[0]?.composition.parts ?? []
  const lines = parts.filter(({ kind }) => kind === 'line')
  it('are changed alike, and only those of the kind', () => {
    const { document } = changed(
      start,
      changeParts(
        address,
        parts.map(({ id }) => id),
        'line',
        'size',
        (part) => void (part.sizePx = 61),
      ),
    )
    const now = document.alerts[0]?.variations[0]?.composition.parts ?? []
    expect(now.flatMap((part) => (part.kind === 'line' ? [part.sizePx] : []))).toEqual([61, 61])
    expect(now.filter(({ kind }) => kind !== 'line')).toEqual(parts.filter(({ kind }) => kind !== 'line'))
  })
  it('say in what they are mixed, and nothing of what each has for itself', () => {
    expect(mixedFields(lines)).toEqual(['typeface', 'size', 'smallest size', 'colour', 'outline', 'shadow'])
    expect(
      mixedFields([
        lines[0]!,
        {
          ...lines[0]!,
          id: 'other',
          name: 'Other',
          place: { ...(lines[0] as { place: object }).place, xPx: 5 },
        } as (typeof lines)[number],
      ]),
    ).toEqual([])
    expect(mixedFields([])).toEqual([])
  })
})
