import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { starterBackdrop, starterMessage, starterParticles } from '../composition/starterParts.ts'
import type { EventKind } from '../events/kinds.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { applyToMany, carried, counterpartOf, fieldsIn, otherVariations, type Carried } from './applyToMany.ts'
import { changeBox, type Edit } from './change.ts'
import { applyPatches } from './applyPatches.ts'
import { addSeason, changeLook, changeSeason, removeSeason, seasonIdFor } from './changeLook.ts'
import { describeDifferences } from './differences/describeDifferences.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const [picture, sound, other] = ['a', 'b', 'c'].map((digit) => digit.repeat(64)) as [string, string, string]
const kinds: EventKind[] = ['follow', 'tip', 'raid', 'applause']
const alerts = kinds.map((kind, index) =>
  starterAlert(kind, canvas, { pictureId: index % 2 ? other : picture, soundId: sound }),
)
const tuned = alerts[0]?.variations[0]?.composition
for (const part of tuned?.parts ?? []) {
  if (part.kind === 'line')
    Object.assign(part, {
      sizePx: 77,
      ink: { own: '#112233' },
      place: { ...part.place, xPx: 333 },
      motion: { entrance: { motion: 'drop', ms: 222, easing: null }, exit: { role: 'leave' } },
    })
  if (part.kind === 'sound') Object.assign(part, { trimDb: -7, isMuted: true })
  if (part.kind === 'picture') part.widthPx = 222
}
if (tuned) tuned.length = { rule: 'fixed', ms: 4321 }
alerts[1]?.variations[0]?.composition.parts.unshift(starterBackdrop(canvas, ['headline']))
alerts[1]?.variations[0]?.composition.parts.push(starterMessage(canvas), starterParticles(canvas, 'scatter'))
const start: BoxDocument = plainBox(canvas, alerts)
const source = { alertId: 'follow', variationId: 'follow-everyday' }
const everywhere = otherVariations(start, source).map(({ address }) => address)
const changed = (document: BoxDocument, edit: Edit) => {
  const result = changeBox(document, edit)
  if (!result.ok) throw new Error(result.error)
  return result.value
}
const partsOf = (document: BoxDocument, alert: number) => document.alerts[alert]?.variations[0]?.composition.parts ?? []
const some = fc.subarray([...carried], { minLength: 1 })

describe('carrying over to many', () => {
  it('and undoing it is as if nothing had been, whatever is carried where', () => {
    fc.assert(
      fc.property(some, fc.subarray(everywhere), (what, targets) => {
        const { document, change } = changed(start, applyToMany(source, targets, what))
        expect(change ? applyPatches(document, change.inverse) : document).toEqual(start)
      }),
    )
  })
  it('a second time changes nothing, and never the source, the words or who is not ticked', () => {
    fc.assert(
      fc.property(some, fc.subarray(everywhere), (what, targets) => {
        const { document } = changed(start, applyToMany(source, targets, what))
        expect(changed(document, applyToMany(source, targets, what)).document).toEqual(document)
        expect(document.alerts[0]).toBe(start.alerts[0])
        const wordsOf = (of: BoxDocument) =>
          of.alerts.map(({ variations }) =>
            variations.map(({ composition }) =>
              composition.parts.map((part) => ('template' in part ? part.template : '')),
            ),
          )
        expect(wordsOf(document)).toEqual(wordsOf(start))
        start.alerts.forEach((alert, index) => {
          if (index > 0 && !targets.some(({ alertId }) => alertId === alert.id))
            expect(document.alerts[index]).toBe(alert)
        })
      }),
    )
  })
  it.each<[Carried, (document: BoxDocument) => unknown, unknown]>([
    [
      'style',
      (document) => partsOf(document, 2).flatMap((part) => (part.kind === 'line' ? [part.sizePx, part.ink] : [])),
      [77, { own: '#112233' }, 77, { own: '#112233' }],
    ],
    [
      'motion',
      (document) => partsOf(document, 2).flatMap((part) => (part.kind === 'line' ? [part.motion.entrance] : [])),
      [
        { motion: 'drop', ms: 222, easing: null },
        { motion: 'drop', ms: 222, easing: null },
      ],
    ],
    [
      'layout',
      (document) =>
        partsOf(document, 2).flatMap((part) => {
          if (part.kind === 'line') return [part.place.xPx]
          return part.kind === 'picture' ? [part.widthPx] : []
        }),
      [222, 333, 333],
    ],
    [
      'pictures',
      (document) => partsOf(document, 1).flatMap((part) => (part.kind === 'picture' ? [part.mediaId] : [])),
      [picture],
    ],
    [
      'sounds',
      (document) => partsOf(document, 3).flatMap((part) => (part.kind === 'sound' ? [part.trimDb, part.isMuted] : [])),
      [-7, true],
    ],
    ['timing', (document) => document.alerts[3]?.variations[0]?.composition.length, { rule: 'fixed', ms: 4321 }],
  ])('%s means what it says', (what, read, expected) => {
    expect(read(start)).not.toEqual(expected)
    expect(read(changed(start, applyToMany(source, everywhere, [what])).document)).toEqual(expected)
  })
  it('leaves alone what has no counterpart, and clips that hang on parts that are not there', () => {
    const { document } = changed(
      start,
      applyToMany({ alertId: 'tip', variationId: 'tip-everyday' }, [source], [...carried]),
    )
    expect(partsOf(document, 0).map(({ id }) => id)).toEqual(partsOf(start, 0).map(({ id }) => id))
    const message = partsOf(start, 1).find(({ kind }) => kind === 'message')
    const [from, to] = [start.alerts[0], start.alerts[1]].map((alert) => alert?.variations[0]?.composition)
    expect(message && from && to && counterpartOf(message, from, to)).toBeNull()
  })
})

describe('looks of seasons', () => {
  const id = seasonIdFor(start)
  const withSeason = changed(start, addSeason(id, 'Frost', '12-01', '01-06')).document
  it('begin as the everyday one, are changed apart from it, and can go', () => {
    expect(withSeason.seasons).toMatchObject([{ id, from: '12-01', look: { ...lanternLook, name: 'Frost' } }])
    const icy = changed(
      withSeason,
      changeLook(id, 'accent', (look) => void (look.palette.accent = '#7FC8E8')),
    ).document
    expect([icy.look.palette.accent, icy.seasons[0]?.look.palette.accent]).toEqual([
      lanternLook.palette.accent,
      '#7FC8E8',
    ])
    expect(changed(icy, removeSeason(id)).document.seasons).toEqual([])
    expect(seasonIdFor(withSeason)).not.toBe(id)
  })
  it('cannot be on days that are none', () =>
    expect(changeBox(withSeason, changeSeason(id, { from: '02-31', to: '03-01' })).ok).toBe(false))
  it('are among what goes on air', () => {
    const later = changed(withSeason, changeSeason(id, { from: '12-05', to: '01-06' })).document
    expect(describeDifferences(start, withSeason)).toEqual([
      { kind: null, subject: 'Season Frost', what: 'new', before: '', after: '12-01 to 01-06' },
    ])
    expect(describeDifferences(withSeason, later)).toEqual([
      { kind: null, subject: 'Season Frost', what: 'days', before: '12-01 to 01-06', after: '12-05 to 01-06' },
    ])
  })
})

describe('single properties', () => {
  const from = { alertId: 'follow', variationId: 'follow-everyday' }
  const raid = { alertId: 'raid', variationId: 'raid-everyday' }
  const partIn = (document: BoxDocument, alertId: string, id: string) =>
    document.alerts
      .find((alert) => alert.id === alertId)
      ?.variations[0]?.composition.parts.find((part) => part.id === id)
  it('are offered where some part has them', () => {
    expect(fieldsIn(start.alerts[0]!.variations[0]!.composition)).toEqual(
      expect.arrayContaining(['sizePx', 'ink', 'mediaId', 'trimDb']),
    )
    expect(fieldsIn({ ...start.alerts[0]!.variations[0]!.composition, parts: [] })).toEqual([])
  })
  it('are carried alone; the rest stays, and undo gives all of it back', () => {
    const { document, change } = changed(start, applyToMany(from, [raid], [], ['sizePx', 'trimDb']))
    expect([partIn(document, 'raid', 'headline'), partIn(document, 'raid', 'sound')]).toMatchObject([
      { sizePx: 77, ink: { role: 'headline' } },
      { trimDb: -7, isMuted: false },
    ])
    expect(change?.label).toBe('apply size, volume to 1')
    expect(applyPatches(document, change?.inverse ?? [])).toEqual(start)
  })
})

describe('packs among what goes on air', () => {
  const taken = {
    id: 'set',
    shelfId: 's',
    release: '1.0.0',
    name: 'Set',
    alerts: {},
    wearsLook: false,
    values: {},
    exceptions: {},
    own: [],
  }
  it('are said when they come, are turned, are at another release or go', () => {
    const [none, some, turned, later] = [
      [],
      [taken],
      [{ ...taken, values: { warmth: 1 } }],
      [{ ...taken, release: '1.1.0' }],
    ].map((packs) => ({ ...start, packs }))
    const whats = [
      [none, some],
      [some, turned],
      [some, later],
      [later, none],
    ].map(([before, after]) => describeDifferences(before!, after!).map(({ subject, what }) => `${subject} ${what}`))
    expect(whats).toEqual([['Pack Set new'], ['Pack Set dials'], ['Pack Set release'], ['Pack Set removed']])
    expect(
      describeDifferences(start, {
        ...start,
        design: { id: 'mine', release: '1.0.0', author: '', licence: '', about: '', dials: [] },
      }),
    ).toMatchObject([{ subject: 'To hand out', before: 'nothing', after: 'mine 1.0.0, 0 dials' }])
  })
})
