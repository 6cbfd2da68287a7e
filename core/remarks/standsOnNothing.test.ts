import { describe, expect, it } from 'vitest'
import type { RemarkContext } from './remark.ts'
import { standsOnNothing } from './standsOnNothing.ts'

const clip = (start: string, end: string | null = null) => ({
  start: { at: start, offsetMs: 0 },
  end: end === null ? { length: 'fixed', ms: 500 } : { length: 'until', edge: { at: end, offsetMs: 0 } },
})
const parts = [
  { id: 'message', kind: 'message', clip: clip('score.start') },
  { id: 'headline', kind: 'line', clip: clip('score.start') },
  { id: 'slip', kind: 'backdrop', hugs: ['message'], clip: clip('score.start') },
  { id: 'plate', kind: 'backdrop', hugs: ['message', 'headline'], clip: clip('score.start') },
  { id: 'picture', kind: 'picture', clip: clip('headline.entered', 'message.end') },
  { id: 'bell', kind: 'sound', clip: clip('headline.entered') },
]
const withMessage = (text: string) =>
  ({
    composition: { parts },
    score: {
      parts: [
        { id: 'message', maxLines: 3, pieces: [{ text, isValue: false }] },
        { id: 'headline', maxLines: 1, pieces: [{ text: 'pip_rye', isValue: true }] },
      ],
    },
  }) as unknown as RemarkContext
const nothing = (text: string) => parts.map(({ id }) => id).filter((id) => standsOnNothing(withMessage(text), id))

describe('a message that nobody wrote', () => {
  it('leaves what hangs on it with nothing to show, and what is behind it alone', () => {
    expect(nothing('')).toEqual(['message', 'slip', 'picture'])
  })
  it('changes nothing where there is one', () => expect(nothing('good evening')).toEqual([]))
})
