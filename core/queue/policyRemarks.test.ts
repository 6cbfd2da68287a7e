import { describe, expect, it } from 'vitest'
import { demoBoxes } from '../../demo/scenario.ts'
import { newSentences } from '../edit/policyEdits.ts'
import { usualPolicy, type BoxPolicy } from './policy.ts'
import { policyRemarks } from './policyRemarks.ts'

const { alerts } = demoBoxes((file) => file.padEnd(64, '0'))[0]!.document
const remarks = (...policy: BoxPolicy) => policyRemarks(policy, alerts)

describe('what is said of a policy', () => {
  it('is nothing where it is in order', () => {
    expect(policyRemarks(usualPolicy, alerts)).toEqual([])
  })
  it('is which of two sentences wins', () => {
    expect(remarks(newSentences.gap, { ...newSentences.gap, ms: 900 })).toEqual([
      { at: 1, words: 'An earlier sentence says this already, and wins.' },
    ])
    expect(
      remarks(
        { rule: 'order', isOn: true, of: [{ kind: 'tip', from: 500 }], steps: 2 },
        { rule: 'order', isOn: true, of: [{ kind: 'tip', from: 2000 }], steps: -1 },
        {
          rule: 'order',
          isOn: true,
          of: [
            { kind: 'tip', from: 100 },
            { kind: 'tip', from: 600 },
          ],
          steps: 1,
        },
      ),
    ).toEqual([
      { at: 1, words: 'An earlier sentence says otherwise of all of it, and wins.' },
      { at: 2, words: 'An earlier sentence wins for tips.' },
    ])
    expect(remarks({ ...newSentences.age, kinds: null }, { ...newSentences.age, kinds: null, ms: 9000 })).toHaveLength(
      1,
    )
    expect(remarks({ ...newSentences.age, kinds: null }, newSentences.age)).toEqual([])
    expect(remarks(newSentences.age, { ...newSentences.age, ms: 9000 })).toEqual([
      { at: 1, words: 'An earlier sentence says otherwise of all of it, and wins.' },
    ])
  })
  it('is nothing of sentences that are off', () => {
    expect(remarks({ ...newSentences.gap, isOn: false }, newSentences.gap)).toEqual([])
    expect(remarks(newSentences.gap, { ...newSentences.gap, isOn: false })).toEqual([])
  })
  it('is where there is nothing to be shown for several', () => {
    expect(remarks({ ...newSentences.merge, kinds: ['raid', 'follow'] })[0]?.words).toContain('Raids stay alone')
    expect(policyRemarks([newSentences.gifts], [])[0]?.words).toContain('no gifts')
  })
})
