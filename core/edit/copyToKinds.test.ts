import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boxDocument, type BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { eventKinds, type EventKind } from '../events/kinds.ts'
import { variablesOfKind } from '../events/variables.ts'
import { unknownVariables } from '../remarks/content.ts'
import { parseTemplate } from '../text/template.ts'
import { changeBox } from './change.ts'
import { applyPatches } from './applyPatches.ts'
import { alertFor, copyToKinds, together } from './copyToKinds.ts'
import { rewordFor } from './rewordFor.ts'
import { setAlertOn } from './setAlertOn.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const tip = starterAlert('tip', canvas, { pictureId: null, soundId: null })
const [everyday] = tip.variations
const fire = everyday && {
  ...everyday,
  id: 'tip-fire',
  name: 'Oven on fire',
  rule: { match: 'all' as const, of: [{ field: 'amount', is: 'atLeast' as const, value: 10_000 }] },
}
const alert = { ...tip, variations: [...(fire ? [fire] : []), ...tip.variations] }
const box: BoxDocument = plainBox(canvas, [alert])

describe('words for another kind of event', () => {
  it.each<[string, EventKind, string]>([
    ['{name} left {amount}', 'raid', '{name} left {party}'],
    [
      '{months, plural, one {# month} other {# months}} of {tier}',
      'applause',
      '{points, plural, one {# month} other {# months}} of',
    ],
    ['{tier, select, I {small} other {large}} thanks, {name} !', 'follow', 'thanks, {name}!'],
    ['{reward}: {input}', 'tip', ': {message}'],
    ['{name} says {message}', 'redemption', '{name} says {input}'],
    ['{name} brings {party}', 'goalReached', '{goal} brings {amount}'],
    ["it's '{name}' for {amount}", 'follow', "it's '{name}' for"],
  ])('%s for %s', (template, kind, words) => expect(rewordFor(template, kind).template).toBe(words))

  it('carry only what the kind carries, whatever they were', () => {
    const anyKind = fc.constantFrom(...eventKinds)
    const words = fc
      .array(
        fc.oneof(
          fc.constantFrom('hello ', ', ', '! '),
          anyKind.chain((kind) => fc.constantFrom(...variablesOfKind(kind).map(({ name }) => `{${name}}`))),
        ),
        { maxLength: 6 },
      )
      .map((pieces) => pieces.join(''))
    fc.assert(
      fc.property(words, anyKind, (template, kind) => {
        const reworded = rewordFor(template, kind)
        expect(unknownVariables(parseTemplate(reworded.template).nodes, [kind], { parts: [] })).toEqual([])
        expect(rewordFor(reworded.template, kind)).toEqual({ template: reworded.template, changes: [] })
      }),
    )
  })
})

describe('an alert for another kind', () => {
  it('says what it changed, and leaves out what the kind cannot be asked', () => {
    const { alert: raid, notes } = alertFor(alert, 'raid')
    expect(raid).toMatchObject({
      id: 'raid',
      kinds: ['raid'],
      variations: [{ id: 'raid-everyday', name: 'Everyday', rule: null }],
    })
    expect(notes).toEqual(['“Oven on fire” is left out: these events never say “amount”', '{amount} becomes {party}'])
    expect(alertFor(alert, 'paidMessage')).toMatchObject({
      notes: [],
      alert: { variations: [{ id: 'paidmessage-fire' }, { id: 'paidmessage-everyday' }] },
    })
  })
  it('has a case even where every one of them asked for what is not there', () => {
    expect(alertFor({ ...alert, variations: alert.variations.slice(0, 1) }, 'follow').alert.variations).toMatchObject([
      { name: 'Oven on fire', rule: null },
    ])
  })
  it('makes a valid box for every kind there is, as one step that can be undone', () => {
    const result = changeBox(box, together('both', [copyToKinds('tip', eventKinds), setAlertOn('tip', false)]))
    if (!result.ok || !result.value.change) throw new Error(result.ok ? 'nothing changed' : result.error)
    expect(boxDocument.safeParse(result.value.document).error).toBeUndefined()
    expect(result.value.document.alerts.flatMap(({ kinds }) => kinds).sort()).toEqual([...eventKinds].sort())
    expect(result.value.document.alerts[0]?.isOn).toBe(false)
    expect(applyPatches(result.value.document, result.value.change.inverse)).toEqual(box)
  })
})
