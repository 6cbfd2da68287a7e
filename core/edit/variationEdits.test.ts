import { describe, expect, it } from 'vitest'
import { chosenBy, type BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { changeBox, type Edit } from './change.ts'
import {
  addVariation,
  askLater,
  changeVariation,
  moveVariation,
  removeVariation,
  setPlayedBy,
  setRules,
  variationIdFor,
} from './variationEdits.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const start: BoxDocument = plainBox(canvas, [
  starterAlert('resubscription', canvas, { pictureId: null, soundId: null }),
])
const alert = start.alerts[0]
const alertId = alert?.id ?? ''
const everyday = { alertId, variationId: alert?.variations[0]?.id ?? '' }
const atLeast = (value: number) => ({ match: 'all' as const, of: [{ field: 'months', is: 'atLeast' as const, value }] })
const made = (document: BoxDocument, edit: Edit) => {
  const result = changeBox(document, edit)
  if (!result.ok) throw new Error(result.error)
  return result.value.document
}
const order = (document: BoxDocument) => document.alerts[0]?.variations.map(({ name }) => name)

describe('cases of an alert', () => {
  const withTwo = made(
    made(start, addVariation(everyday, 'two', 'Two', atLeast(2))),
    addVariation(everyday, 'year', 'Year', atLeast(12)),
  )
  it('are added before what they are a copy of', () => {
    expect(order(withTwo)).toEqual(['Year', 'Two', 'Everyday'])
    expect(withTwo.alerts[0]?.variations[0]?.composition).toEqual(alert?.variations[0]?.composition)
    expect(variationIdFor(withTwo.alerts[0]?.variations ?? [], alertId)).toMatch(/-case$/)
  })
  it('are left to run sheets, or chosen by events again', () => {
    const left = made(withTwo, setPlayedBy({ alertId, variationId: 'two' }, 'sheets'))
    const chosen = (document: BoxDocument) => document.alerts.flatMap((each) => chosenBy(each).map(({ name }) => name))
    expect(chosen(left)).toEqual(['Year', 'Everyday'])
    expect(made(left, setPlayedBy({ alertId, variationId: 'two' }, 'events'))).toEqual(withTwo)
  })
  it('are moved, renamed, ruled and taken away; the last one stays', () => {
    const moved = made(withTwo, moveVariation({ alertId, variationId: 'two' }, 'year'))
    expect(order(moved)).toEqual(['Two', 'Year', 'Everyday'])
    expect(order(made(moved, changeVariation({ alertId, variationId: 'two' }, { name: 'A pair' })))).toEqual([
      'A pair',
      'Year',
      'Everyday',
    ])
    expect(order(made(moved, askLater({ alertId, variationId: 'two' })))).toEqual(['Year', 'Two', 'Everyday'])
    expect(made(moved, askLater(everyday))).toBe(moved)
    const ruled = made(
      moved,
      setRules(alertId, [
        { id: 'two', rule: atLeast(3) },
        { id: 'year', rule: atLeast(13) },
      ]),
    )
    expect(ruled.alerts[0]?.variations.map(({ rule }) => rule?.of)).toEqual([atLeast(3).of, atLeast(13).of, undefined])
    const one = ['two', 'year', everyday.variationId].reduce(
      (document, variationId) => made(document, removeVariation({ alertId, variationId })),
      moved,
    )
    expect(order(one)).toEqual(['Everyday'])
  })
  it('refuse a rule that the kind cannot answer, in words', () => {
    const result = changeBox(
      withTwo,
      changeVariation(
        { alertId, variationId: 'two' },
        { rule: { match: 'all', of: [{ field: 'party', is: 'atLeast', value: 3 }] } },
      ),
    )
    expect(result.ok ? '' : result.error).toContain('these events never say “party”')
  })
})
