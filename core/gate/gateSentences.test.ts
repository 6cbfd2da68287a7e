import { describe, expect, it } from 'vitest'
import {
  againSentence,
  askedSentence,
  limitSentence,
  priceSentence,
  whileSentence,
  whoSentence,
} from './gateSentences.ts'
import { openGate, type Gate } from './schema.ts'

const crumbs = { points: { one: 'crumb', many: 'crumbs' }, locale: 'en-IE' }
const all = (gate: Gate) => [
  whoSentence(gate),
  priceSentence(gate, crumbs),
  againSentence(gate),
  limitSentence(gate),
  askedSentence(gate),
  whileSentence(gate),
]

describe('a gate in sentences', () => {
  it('is open to everyone, free, at once, without a limit', () => {
    expect(all(openGate)).toEqual(['everyone', 'free', 'at once', 'no limit', 'nothing', 'at any time'])
  })

  it('says everything that it asks', () => {
    expect(
      all({
        hours: { from: 22 * 60, until: 4 * 60 + 5, weekdays: [4, 5] },
        scenes: ['Bench cam', 'Street window'],
        who: {
          match: 'all',
          of: [
            { is: 'role', role: 'subscriber' },
            { is: 'months', atLeast: 3 },
          ],
        },
        asked: { as: 'text', minLetters: 2, maxLetters: 24, letters: 'letters' },
        againAfter: { allMs: 20_000, viewerMs: 120_000 },
        perStream: { all: 10, viewer: 2 },
        stock: 12,
        votes: { needed: 5, withinMs: 60_000 },
        cost: 1200,
      }),
    ).toEqual([
      'subscribers who are also subscribers of 3 months and longer',
      '1,200 crumbs, 5 votes within 1 min',
      '20 s, each 2 min',
      '12 in all, 10 a stream, 2 a stream for each',
      '2 to 24 letters alone',
      'Bench cam or Street window is shown, 22:00 to 04:05, Fri, Sat',
    ])
    expect(priceSentence({ cost: 1, votes: null }, crumbs)).toBe('1 crumb')
    expect(askedSentence({ asked: { as: 'choice', choices: ['rye', 'bun'] } })).toBe('one of rye, bun')
    expect(whileSentence({ scenes: null, hours: { from: 0, until: 0, weekdays: [0, 1, 2, 3, 4, 5, 6] } })).toBe(
      '00:00 to 00:00, every day',
    )
  })
})
