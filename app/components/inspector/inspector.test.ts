import { lanternLook } from '../../../core/look/lanternLook.ts'
import { describe, expect, it } from 'vitest'
import { starterComposition } from '../../../core/composition/starter.ts'
import { solveComposition } from '../../../core/score/solveComposition.ts'
import { variablesOfKind } from '../../../core/events/variables.ts'
import { parseTemplate } from '../../../core/text/template.ts'
import { faultWords } from '../stage/faultWords.ts'
import { anchorChoices } from './anchorChoices.ts'
import { templateRemark } from './templateRemark.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const composition = starterComposition(
  canvas,
  { headline: '{name}', second: 'joins' },
  { pictureId: null, soundId: null },
)
const partOf = (id: string) => composition.parts.find((part) => part.id === id)!

describe('anchorChoices', () => {
  it('offers the start of the alert and the other parts, in words', () => {
    expect(anchorChoices(partOf('second'), composition.parts, 'start').map((choice) => choice.label)).toEqual([
      'with the alert',
      'when Picture has entered',
      'when Headline has entered',
      'with Picture',
      'with Headline',
      'with Sound',
      'when Picture leaves',
      'when Headline leaves',
      'when Picture has ended',
      'when Headline has ended',
      'when Sound has ended',
    ])
  })

  it('leaves out what waits for the part itself, over any number of ties', () => {
    expect(anchorChoices(partOf('picture'), composition.parts, 'start').map((choice) => choice.value)).toEqual([
      'score.start',
      'sound.start',
      'sound.end',
    ])
  })

  it('never offers what would tie a knot', () => {
    for (const part of composition.parts) {
      for (const choice of anchorChoices(part, composition.parts, 'start')) {
        const parts = composition.parts.map((each) =>
          each.id === part.id ? { ...each, clip: { ...each.clip, start: { at: choice.value, offsetMs: 0 } } } : each,
        )
        expect(
          solveComposition({ ...composition, parts }, { media: {}, messageText: '', look: lanternLook }).ok,
          `${part.id} at ${choice.value}`,
        ).toBe(true)
      }
    }
  })
})

describe('templateRemark', () => {
  const remark = (template: string) => templateRemark(parseTemplate(template), variablesOfKind('follow'))
  it('says nothing when all is fine', () => expect(remark('{name} joins')).toBe(''))
  it('counts letters from one, as people do', () => expect(remark('hi {')).toContain('At letter 4'))
  it('names a variable that never comes', () =>
    expect(remark('{name} gave {amount}')).toContain('never carries {amount}'))
})

describe('faultWords', () => {
  it('names the parts and the way out', () => {
    expect(faultWords({ type: 'cycle', partIds: ['a', 'b'] })).toBe(
      'These parts wait for each other: a, b. Let one of them start with the alert.',
    )
    expect(faultWords({ type: 'missingPart', partId: 'a', wanted: 'gone' })).toContain('“gone”')
    expect(faultWords({ type: 'noNaturalLength', partId: 'a' })).toContain('no length')
  })
})
