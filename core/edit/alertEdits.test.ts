import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { freeKinds, setAlertKinds, setOffer } from './alertEdits.ts'
import { changeBox } from './change.ts'
import { applyPatches } from './applyPatches.ts'
import { changeVariation } from './variationEdits.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const start: BoxDocument = plainBox(
  canvas,
  ['follow', 'raid'].map((kind) => starterAlert(kind as 'follow', canvas, { pictureId: null, soundId: null })),
)
const offer = { kind: 'picture' as const, options: [{ id: 'loaf', label: 'a loaf', mediaId: 'a'.repeat(64) }] }
const kindsOf = (document: BoxDocument) => document.alerts.map(({ kinds }) => kinds)

describe('what an alert listens to', () => {
  it('can be several kinds, but never one of another alert, and never none', () => {
    const wider = changeBox(start, setAlertKinds('follow', ['follow', 'applause', 'raid']))
    if (!wider.ok || !wider.value.change) throw new Error('it is valid')
    expect(kindsOf(wider.value.document)).toEqual([['follow', 'applause'], ['raid']])
    expect(freeKinds(wider.value.document, ['follow', 'applause', 'tip'])).toEqual(['tip'])
    expect(kindsOf(applyPatches(wider.value.document, wider.value.change.inverse))).toEqual([['follow'], ['raid']])
    const none = changeBox(start, setAlertKinds('follow', ['raid']))
    expect(none.ok && none.value.change).toBeNull()
  })
  it('cannot lose a kind that a rule still asks', () => {
    const both = changeBox(start, setAlertKinds('raid', ['raid', 'applause']))
    if (!both.ok) throw new Error(both.error)
    const asking = changeBox(
      both.value.document,
      changeVariation(
        { alertId: 'raid', variationId: 'raid-everyday' },
        { rule: { match: 'all', of: [{ field: 'points', is: 'atLeast', value: 5 }] } },
      ),
    )
    if (!asking.ok) throw new Error(asking.error)
    const result = changeBox(asking.value.document, setAlertKinds('raid', ['raid']))
    expect(result.ok ? '' : result.error).toContain('these events never say “points”')
  })
})

describe('what viewers choose', () => {
  it('is set, and taken away while no rule asks for it', () => {
    const offered = changeBox(start, setOffer('follow', offer))
    if (!offered.ok) throw new Error(offered.error)
    expect(offered.value.document.alerts[0]?.offer).toEqual(offer)
    const asking = changeBox(
      offered.value.document,
      changeVariation(
        { alertId: 'follow', variationId: 'follow-everyday' },
        { rule: { match: 'all', of: [{ field: 'choice', is: 'oneOf', values: ['loaf'] }] } },
      ),
    )
    if (!asking.ok) throw new Error(asking.error)
    expect(changeBox(asking.value.document, setOffer('follow', null)).ok).toBe(false)
    expect(changeBox(offered.value.document, setOffer('follow', null)).ok).toBe(true)
  })
})
