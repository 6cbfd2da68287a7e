import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { edited } from '../../test/arrange/edited.ts'
import { plainBox } from '../composition/plainBox.ts'
import { starterAlert } from '../composition/starter.ts'
import { changeBox } from '../edit/change.ts'
import { editParts } from '../edit/editParts.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { isNewer } from './design.ts'
import type { Dial, DialValue } from './dial.ts'
import { fitToCanvas } from './fitToCanvas.ts'
import type { Manifest } from './manifest.ts'
import { usualPolicy, type Sentence } from '../queue/policy.ts'
import { manifestOf } from './manifestOf.ts'
import { placeWords } from './placeWords.ts'
import { canDiffer, standingOf } from './standing.ts'
import { allOf, goesWith, letGoOfPack, removePack, takenKinds, takePack } from './takePack.ts'
import { conflictKey, takeRelease } from './takeRelease.ts'
import { giveBack, handChanges, ownPlaces, turnTaken } from './turnTaken.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const file = 'a'.repeat(64)
const common = { about: '', group: '' }
const dials: Dial[] = [
  {
    ...common,
    id: 'warmth',
    kind: 'colour',
    label: 'Warmth',
    initial: '#FFC247',
    bindings: [{ path: 'look.palette.accent', transform: { as: 'same' } }],
  },
  {
    ...common,
    id: 'size',
    kind: 'number',
    label: 'Size',
    initial: 100,
    least: 40,
    most: 160,
    unit: 'px',
    bindings: [{ path: 'alerts.*.variations.*.parts.headline.sizePx', transform: { as: 'same' } }],
  },
  {
    ...common,
    id: 'greeting',
    kind: 'words',
    label: 'Greeting',
    initial: 'is now following',
    bindings: [{ path: 'alerts.follow.variations.follow-everyday.parts.second.template', transform: { as: 'same' } }],
  },
]
const alertsOf = (kinds: ('follow' | 'raid' | 'tip')[]) =>
  kinds.map((kind) => {
    const alert = starterAlert(kind, canvas, { pictureId: file, soundId: null })
    for (const part of alert.variations[0]?.composition.parts ?? [])
      if (part.id === 'headline' && part.kind === 'line')
        Object.assign(part, { sizePx: 100, highlightInk: { role: 'accent' } })
    return alert
  })
const pack: Manifest = {
  format: 'thundercrest.pack',
  version: 1,
  id: 'night-counter',
  release: '1.0.0',
  name: 'Night counter',
  author: 'Bram Quill',
  licence: 'CC0-1.0',
  about: '',
  box: plainBox(canvas, alertsOf(['follow', 'raid'])),
  media: [],
  dials,
}

const fresh = edited(plainBox(canvas, []), takePack(pack, 'shelf-1', allOf(pack)))
const turn = (id: string, value: DialValue | null, alertId: string | null = null) =>
  turnTaken(pack, pack.id, id, value, alertId)
const partIn = (document: BoxDocument, alertId: string, id: string) =>
  document.alerts
    .find((alert) => alert.id === alertId)
    ?.variations[0]?.composition.parts.find((part) => part.id === id) as unknown as Record<string, unknown>
const resize = (alertId: string, sizePx: number) =>
  editParts(
    { alertId, variationId: `${alertId}-everyday` },
    ['headline'],
    'size',
    (part) => void (part.kind === 'line' && (part.sizePx = sizePx)),
  )
const released = (changed: Partial<Manifest>): Manifest => ({ ...pack, release: '1.1.0', ...changed })
const taken = (document: BoxDocument, next: Manifest, takes: string[] = []) => {
  const result = takeRelease(document, pack, next, 'shelf-2', new Set(takes))
  if (!result.ok) throw new Error(result.error)
  return result.value
}

describe('dials of a pack that a box has', () => {
  it('turn the look and every alert, and come back to what was', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.tuple(fc.constant('size'), fc.integer({ min: 40, max: 160 })),
            fc.tuple(fc.constant('warmth'), fc.constantFrom('#7FC8E8', '#112233')),
            fc.tuple(fc.constant('greeting'), fc.constantFrom('sits down', 'hello')),
          ),
          { maxLength: 8 },
        ),
        (turns) => {
          const after = edited(
            fresh,
            ...turns.map(([id, value]) => turn(id, value)),
            turn('size', null),
            turn('warmth', null),
            turn('greeting', null),
          )
          expect(after).toEqual(fresh)
        },
      ),
    )
  })
  it('leave what a person changed, also where they pass through its value', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 160 }),
        fc.array(fc.integer({ min: 40, max: 160 }), { minLength: 1, maxLength: 6 }),
        (own, turns) => {
          fc.pre(own !== 100)
          // The first turn meets the change; where it is to that very value, nothing tells it from a place that
          // follows.
          fc.pre(turns[0] !== 100)
          const after = edited(fresh, resize('raid', own), ...turns.map((value) => turn('size', value)))
          expect(partIn(after, 'raid', 'headline').sizePx).toBe(own)
          expect(partIn(after, 'follow', 'headline').sizePx).toBe(turns.at(-1))
          const back = edited(after, giveBack(pack, pack.id, 'size'))
          expect(partIn(back, 'raid', 'headline').sizePx).toBe(turns.at(-1))
          expect(ownPlaces(pack, back, pack.id, 'size')).toEqual([])
        },
      ),
    )
  })
  it('say where a person stands in their way', () => {
    expect(ownPlaces(pack, fresh, pack.id, 'size')).toEqual([])
    const [place = ''] = ownPlaces(pack, edited(fresh, resize('raid', 77)), pack.id, 'size')
    expect(placeWords(fresh.alerts, place.split('.'))).toBe('Raid › Headline › size')
    expect(handChanges(pack, edited(fresh, resize('raid', 77)), pack.id)).toEqual({ follow: 0, raid: 1 })
  })
  it('have exceptions for single alerts: of their own places, and of the look’s colours', () => {
    const after = edited(fresh, turn('size', 60), turn('size', 150, 'raid'), turn('warmth', '#112233', 'raid'))
    expect([partIn(after, 'follow', 'headline').sizePx, partIn(after, 'raid', 'headline').sizePx]).toEqual([60, 150])
    expect([partIn(after, 'follow', 'headline').highlightInk, partIn(after, 'raid', 'headline').highlightInk]).toEqual([
      { role: 'accent' },
      { own: '#112233' },
    ])
    expect(after.look).toEqual(fresh.look)
    expect(edited(after, turn('size', null, 'raid'), turn('warmth', null, 'raid'), turn('size', null))).toEqual(fresh)
    expect(dials.map(({ id }) => canDiffer(pack, id))).toEqual([true, true, true])
  })
  it('are quick to undo: what a turn changed is small', () => {
    const result = changeBox(fresh, turn('greeting', 'sits down'))
    expect(result.ok && result.value.change?.patches.map(({ path }) => String(path[0]))).toEqual(
      expect.arrayContaining(['packs', 'alerts']),
    )
    expect(result.ok && result.value.change?.patches).toHaveLength(2)
  })
})

describe('taking a pack', () => {
  it('that was taken whole and not touched comes out as it went in', () => {
    expect(manifestOf(fresh, 'My box', 'Odalys', [], new Map([['shelf-1', pack]]))).toEqual(pack)
  })
  it('hands on how it behaves on air, but when it is quiet', () => {
    const quiet: Sentence = {
      rule: 'quiet',
      isOn: true,
      when: { is: 'scenes', scenes: ['Bench cam'] },
      does: 'collect',
    }
    const behaves = usualPolicy.slice(0, 2)
    const { box } = manifestOf({ ...fresh, policy: [quiet, ...behaves] }, 'My box', 'Odalys', [], new Map())
    expect(box.policy).toEqual(behaves)
  })
  it('puts its alerts beside those that are there, with names of their own', () => {
    const own = { ...plainBox(canvas, alertsOf(['follow', 'tip'])), look: { ...lanternLook, name: 'Mine' } }
    expect(pack.box.alerts.map((alert) => takenKinds(own, alert))).toEqual([['follow'], []])
    const raid = edited(own, takePack(pack, 'shelf-1', { alertIds: ['raid'], wearsLook: false }))
    expect(raid.alerts.map(({ id }) => id)).toEqual(['follow', 'tip', 'raid'])
    expect(raid.look.name).toBe('Mine')
    // The person's own listens to something else; that of the pack gets another name, and so do its cases.
    const elsewhere = {
      ...own,
      alerts: own.alerts.map((alert) => (alert.id === 'follow' ? { ...alert, kinds: ['applause' as const] } : alert)),
    }
    const both = edited(elsewhere, takePack(pack, 'shelf-1', allOf(pack)))
    expect(both.alerts.map(({ id, variations }) => [id, variations[0]?.id])).toEqual([
      ['follow', 'follow-everyday'],
      ['tip', 'tip-everyday'],
      ['follow-2', 'follow-everyday-2'],
      ['raid', 'raid-everyday'],
    ])
    expect(both.look.name).toBe('Lantern')
    const greeted = edited(both, turn('greeting', 'sits down'), turn('size', 50))
    expect([partIn(greeted, 'follow-2', 'second').template, partIn(greeted, 'follow-2', 'headline').sizePx]).toEqual([
      'sits down',
      50,
    ])
    expect(partIn(greeted, 'follow', 'headline').sizePx).toBe(100)
    const carried = manifestOf(greeted, 'My box', 'Odalys', [], new Map([['shelf-1', pack]])).dials
    expect(carried.map(({ id, initial, bindings }) => [id, initial, bindings.map(({ path }) => path)])).toEqual([
      ['warmth', '#FFC247', ['look.palette.accent']],
      [
        'size',
        50,
        ['alerts.follow-2.variations.*.parts.headline.sizePx', 'alerts.raid.variations.*.parts.headline.sizePx'],
      ],
      ['greeting', 'sits down', ['alerts.follow-2.variations.follow-everyday-2.parts.second.template']],
    ])
  })
  it('takes the place of what heard the same, and goes again', () => {
    const own = plainBox(canvas, alertsOf(['follow', 'tip']))
    const after = edited(own, takePack(pack, 'shelf-1', allOf(pack)))
    expect(after.alerts.map(({ id }) => id)).toEqual(['tip', 'follow', 'raid'])
    expect(goesWith(after, pack.id).map(({ kind }) => kind)).toEqual(['follow', 'raid'])
    expect(edited(after, removePack(pack.id))).toEqual({ ...own, alerts: own.alerts.slice(1) })
    expect(edited(after, letGoOfPack(pack.id)).alerts).toEqual(after.alerts)
    expect(edited(after, takePack(pack, 'shelf-1', allOf(pack)))).toBe(after)
  })
  it('fits another canvas, and its dials do there', () => {
    const tall = { widthPx: 1080, heightPx: 1920, framesPerSecond: 30 }
    expect(fitToCanvas(pack.box, canvas)).toBe(pack.box)
    const fitted = edited(plainBox(tall, []), takePack(pack, 'shelf-1', allOf(pack)))
    expect(partIn(fitted, 'raid', 'headline')).toMatchObject({
      place: { xPx: 540, origin: 'centre' },
      sizePx: 56.25,
      maxWidthPx: 928.69,
    })
    expect(edited(fitted, turn('greeting', 'sits down'), turn('greeting', null))).toEqual(fitted)
    expect(ownPlaces(pack, fitted, pack.id, 'size')).toEqual([])
    expect(partIn(edited(fitted, turn('size', 160)), 'raid', 'headline').sizePx).toBe(90)
  })
})

describe('a newer release', () => {
  const bolder = released({
    box: {
      ...pack.box,
      look: { ...lanternLook, speedRatio: 2 },
      alerts: alertsOf(['follow', 'raid', 'tip']).map((alert) => ({
        ...alert,
        variations: alert.variations.map((each) => ({ ...each, name: 'Always' })),
      })),
    },
  })
  it('is newer by its numbers', () =>
    expect([isNewer('1.10.0', '1.9.9'), isNewer('2.0.0', '10.0.0'), isNewer('1.0.0', '1.0.0')]).toEqual([
      true,
      false,
      false,
    ]))
  it('that changed nothing changes nothing but its number', () => {
    const box = edited(fresh, turn('size', 60), resize('raid', 77), turn('warmth', '#112233', 'follow'))
    const { document, conflicts, notes } = taken(box, released({}))
    expect([document, conflicts, notes]).toEqual([
      { ...box, packs: [{ ...box.packs[0], release: '1.1.0', shelfId: 'shelf-2' }] },
      [],
      [],
    ])
  })
  it('keeps every change that only one side made, and the dials', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 99 }),
        fc.integer({ min: 101, max: 160 }),
        fc.boolean(),
        (own, turnedTo, isTurned) => {
          const box = edited(fresh, ...(isTurned ? [turn('size', turnedTo)] : []), resize('raid', own))
          const { document, conflicts, notes } = taken(box, bolder)
          expect(conflicts).toEqual([])
          expect(notes).toEqual(['New in it: Tip.'])
          expect(document.alerts.map(({ id, variations }) => [id, variations[0]?.name])).toEqual([
            ['follow', 'Always'],
            ['raid', 'Always'],
            ['tip', 'Always'],
          ])
          expect(document.look.speedRatio).toBe(2)
          expect([
            partIn(document, 'raid', 'headline').sizePx,
            partIn(document, 'follow', 'headline').sizePx,
            partIn(document, 'tip', 'headline').sizePx,
          ]).toEqual([own, isTurned ? turnedTo : 100, isTurned ? turnedTo : 100])
        },
      ),
    )
  })
  it('asks where both changed the same, and gives what was chosen', () => {
    const shorter = released({
      dials: dials.slice(0, 1),
      box: {
        ...pack.box,
        alerts: pack.box.alerts.map((alert) => ({
          ...alert,
          variations: alert.variations.map((each) => ({
            ...each,
            composition: {
              ...each.composition,
              parts: each.composition.parts.map((part) =>
                part.kind === 'line' && part.id === 'headline' ? { ...part, sizePx: 120 } : part,
              ),
            },
          })),
        })),
      },
    })
    const box = edited(fresh, resize('raid', 77))
    const { document, conflicts } = taken(box, shorter)
    expect(conflicts).toMatchObject([{ mine: 77, theirs: 120 }])
    expect(placeWords(box.alerts, conflicts[0]?.path ?? [])).toBe('Raid › Headline › size')
    expect(partIn(document, 'raid', 'headline').sizePx).toBe(77)
    expect(partIn(taken(box, shorter, conflicts.map(conflictKey)).document, 'raid', 'headline').sizePx).toBe(120)
    expect(taken(edited(box, turn('greeting', 'sits down')), shorter).notes[0]).toContain('A dial that you had turned')
  })
  it('does not bring back what a person took away, nor take the place of what they made', () => {
    const box: BoxDocument = {
      ...fresh,
      alerts: [
        ...fresh.alerts.filter(({ id }) => id !== 'raid'),
        ...alertsOf(['tip']).map((alert) => ({ ...alert, id: 'mine' })),
      ],
    }
    const { document, notes } = taken(box, bolder)
    expect(document.alerts.map(({ id }) => id)).toEqual(['follow', 'mine'])
    expect(notes).toEqual(['It has an alert for Tip too; yours stays.'])
  })
  it('takes away what it has no more, unless a person had worked on it', () => {
    const less = released({ box: { ...pack.box, alerts: pack.box.alerts.slice(0, 1) } })
    expect(taken(fresh, less)).toMatchObject({
      document: { alerts: [{ id: 'follow' }] },
      notes: ['Raid is not in it any more, and goes.'],
    })
    expect(taken(edited(fresh, resize('raid', 77)), less)).toMatchObject({
      document: { alerts: [{ id: 'follow' }, { id: 'raid' }] },
      conflicts: [{ theirs: undefined }],
    })
  })
})

it('what stands is the design itself where no dial was turned', () => {
  expect(standingOf(pack, fresh.packs[0]!, canvas).alerts[0]).toBe(pack.box.alerts[0])
})
