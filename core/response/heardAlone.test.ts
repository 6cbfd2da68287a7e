import { describe, expect, it } from 'vitest'
import type { ResolvedPart, ResolvedScore } from '../score/resolved.ts'
import { heardAlone } from './calledPlay.ts'

const score = {
  lengthMs: 2_000,
  parts: [
    { kind: 'picture', id: 'loaf' },
    { kind: 'sound', id: 'bell', gainDb: -3 },
    { kind: 'voice', id: 'voice', utterances: [{ text: 'good evening', gainDb: -5 }] },
  ] as unknown as ResolvedPart[],
} as ResolvedScore

describe('what is heard beside others', () => {
  it('has nothing to see, and is as loud as ever where nothing else sounds', () => {
    expect(heardAlone(score).parts).toEqual(score.parts.slice(1))
  })
  it('goes down the more there is, sounds and voices alike', () => {
    const [bell, voice] = heardAlone(score, 1).parts as unknown as [
      { gainDb: number },
      { utterances: [{ gainDb: number }] },
    ]
    expect(bell.gainDb).toBeCloseTo(-9.02, 2)
    expect(voice.utterances[0].gainDb).toBeCloseTo(-11.02, 2)
  })
})
