import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPolicy } from '../../test/arrange/policyNight.ts'
import { policyDifferences } from '../edit/differences/policyDifferences.ts'
import { isSame } from '../isSame.ts'
import { usualPolicy, type Sentence } from './policy.ts'
import { kindsWords, noteOf, piecesOf, timeWords, wordsOfSentence } from './policyWords.ts'

const names = { locale: 'en-IE', currency: 'EUR', cases: { 'tip-fire': 'Oven on fire' } }
const words = (sentence: Sentence) => wordsOfSentence(sentence, names)

describe('a policy in words', () => {
  it('reads as people say it', () => {
    expect(usualPolicy.map(words)).toEqual([
      'One after another, 0.4 s apart.',
      'Raids and tips from €20.00 on go first.',
      'Follows that wait and came within 10 s become one.',
      'Gifts given together take in those who receive them.',
      'When 8 wait, alerts take their shortest length.',
      'Alerts take at most 60 % of a minute.',
      'What has waited 3 min is let go, and can be replayed.',
    ])
    expect(words({ rule: 'order', isOn: true, of: [{ caseId: 'tip-fire' }], steps: -1 })).toBe(
      '“Oven on fire” go later.',
    )
    expect(
      words({ rule: 'quiet', isOn: true, when: { is: 'scenes', scenes: ['Back in five'] }, does: 'collect' }),
    ).toBe('While Back in five is shown, what comes waits.')
    expect(words({ rule: 'quiet', isOn: true, when: { is: 'hours', from: 60, until: 125 }, does: 'letGo' })).toBe(
      'From 01:00 to 02:05 what comes is let go.',
    )
    expect(words({ rule: 'approve', isOn: true, kinds: ['raid'], isFlagged: true, withinMs: 300_000 })).toBe(
      'Somebody has to let what the speech desk flags and raids be shown, within 5 min.',
    )
    expect(kindsWords(['follow', 'giftBatch', 'applause'])).toBe('Follows, gifts and applause')
    expect([timeWords(400), timeWords(10_000), timeWords(90_000), timeWords(3_600_000)]).toEqual([
      '0.4 s',
      '10 s',
      '90 s',
      '1 h',
    ])
  })
  it('has a place for everything that can be changed, and no empty words', () => {
    fc.assert(
      fc.property(anyPolicy, (policy) => {
        for (const sentence of policy) {
          const pieces = piecesOf(sentence, names)
          expect(pieces.every((piece) => (typeof piece === 'string' ? piece : piece.text) !== '')).toBe(true)
          const slots = pieces.flatMap((piece) => (typeof piece === 'string' ? [] : [piece.slot]))
          expect(new Set(slots).size).toBe(slots.length)
          expect(words(sentence)).toMatch(/^\S.*\.$/)
          expect(noteOf(sentence)).not.toContain('undefined')
        }
      }),
    )
  })
})

describe('what differs between two policies', () => {
  it('is said wherever they differ, and only there', () => {
    fc.assert(
      fc.property(anyPolicy, anyPolicy, (before, after) => {
        const said = policyDifferences(before, after, names)
        if (!isSame(before, after)) expect(said.length).toBeGreaterThan(0)
        for (const each of said) expect(`${each.before}${each.after}`).not.toBe('')
      }),
    )
  })
  it('is the sentence as it was and as it is', () => {
    const off = usualPolicy.map((each) => (each.rule === 'elastic' ? { ...each, isOn: false } : each))
    expect(policyDifferences(usualPolicy, off, names)).toMatchObject([
      {
        what: 'sentence',
        before: 'When 8 wait, alerts take their shortest length.',
        after: 'off: When 8 wait, alerts take their shortest length.',
      },
    ])
    expect(policyDifferences(usualPolicy, usualPolicy.slice(1), names)).toMatchObject([{ what: 'removed', after: '' }])
  })
})
