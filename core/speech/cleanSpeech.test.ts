import fc from 'fast-check'
import naughty from 'naughty-words'
import { describe, expect, it } from 'vitest'
import { cleanSpeech, speechSteps, type SpeechStep } from './cleanSpeech.ts'
import { readyRules, speechRules, strictnesses, type Strictness } from './rules.ts'
import { secondsOf } from './secondsOf.ts'
import { trialMessages } from './trialMessages.ts'
import { findBlocked } from './words/findBlocked.ts'
import type { BlockedWords } from './words/search.ts'
import { lexiconOf } from './words/lexicon.ts'
import { plainEntry } from './words/wordPattern.ts'

const blockedOf = (words: readonly string[], language: string | null = null): BlockedWords => ({
  lexica: [
    lexiconOf(words.flatMap((each) => plainEntry(each, language, language ? 'inLanguage' : 'everywhere') ?? [])),
  ],
  languages: ['en'],
  strictly: null,
})

/** The lists of a channel that is heard in these languages. */
const lists: BlockedWords = {
  ...blockedOf([]),
  lexica: [
    ...blockedOf((naughty.en ?? []).filter((word) => word !== 'xx')).lexica,
    ...['pt', 'de', 'es', 'it'].flatMap((language) => blockedOf(naughty[language] ?? [], language).lexica),
  ],
}
const few = blockedOf(['bollocks', 'ass', 'two girls', '馬鹿'])
const clean = (text: string, level: Strictness = 'careful', blocked = few) =>
  cleanSpeech(text, readyRules[level], blocked)
const hostile = fc.oneof(
  fc.string({ unit: 'grapheme', maxLength: 200 }),
  fc.string({ unit: 'binary', maxLength: 200 }),
  fc
    .array(
      fc.constantFrom(
        'bollocks',
        'b0llocks',
        'b',
        'o',
        'l',
        'c',
        'k',
        's',
        'ass',
        'a s s',
        'www.x.com',
        'aaaaaaaa',
        'AAAAAA',
        '1234567890',
        '🔥',
        '\u200D',
        '\u200B',
        '馬鹿',
        ' ',
        '\n',
        '.',
        '!',
        'two girls',
        'word',
      ),
      { maxLength: 40 },
    )
    .map((parts) => parts.join(' ')),
  fc
    .array(fc.constantFrom('bollocks', 'as', 's', 'b', 'o', '1', '$', '\u0336', 'o\u0301', '👩‍🍳', '  '), {
      maxLength: 60,
    })
    .map((parts) => parts.join('')),
  fc.constantFrom(...trialMessages.map(({ text }) => text)),
)

describe('cleaning', () => {
  it('once is enough', () => {
    fc.assert(
      fc.property(hostile, fc.constantFrom(...strictnesses), (text, level) => {
        const { text: cleaned } = clean(text, level)
        if (cleaned !== '') expect(clean(cleaned, level)).toMatchObject({ text: cleaned, changes: [] })
      }),
      { numRuns: 400 },
    )
  })
  it('never gives more than the rules allow, in letters and in seconds', () => {
    fc.assert(
      fc.property(hostile, fc.constantFrom(...strictnesses), (text, level) => {
        const { text: cleaned } = clean(text, level)
        expect(cleaned.length).toBeLessThanOrEqual(readyRules[level].maxLetters)
        expect(secondsOf(cleaned)).toBeLessThanOrEqual(readyRules[level].maxSeconds)
      }),
    )
  })
  it('never gives a blocked word', () => {
    fc.assert(
      fc.property(hostile, fc.constantFrom('careful' as const, 'strict' as const), (text, level) => {
        expect(findBlocked(clean(text, level).text, few)).toEqual([])
      }),
      { numRuns: 400 },
    )
  })
  it('says step by step what it did, and why nothing is left', () => {
    fc.assert(
      fc.property(hostile, (text) => {
        const { changes, text: cleaned, outcome, refusal } = clean(text)
        changes.forEach(({ step, before, after }, at) => {
          expect(speechSteps).toContain(step)
          expect(before).not.toBe(after)
          expect(before).toBe(at === 0 ? text.slice(0, 2000) : changes[at - 1]?.after)
        })
        expect([outcome === 'refused', cleaned === '']).toEqual([refusal !== null, refusal !== null])
        if (outcome === 'kept') expect(cleaned).toBe(text)
      }),
    )
  })
  it.each<[SpeechStep, string, string]>([
    ['unseen', 'hel\u200Blo', 'hello'],
    ['links', 'see https://crumbs.example/a?b=c.', 'see link'],
    ['links', 'loaves.shop/deal is good', 'link is good'],
    ['blocked', 'what bollocks is this', 'what is this'],
    ['emoji', 'fire 🔥🔥🔥 now', 'fire 🔥 now'],
    ['numbers', 'pay 123 456 789 012 now', 'pay a very long number now'],
    ['letters', 'nooooooo', 'noo'],
    ['words', 'ring ring ring ring ring', 'ring ring ring'],
    ['words', 'a b a b a b a b a b', 'a b a b a b'],
    ['capitals', 'WHERE IS THE BREAD, NASA', 'where IS THE bread, NASA'],
    ['capitals', 'HURRY UP, it is late TONIGHT'.toUpperCase(), 'hurry UP, IT IS LATE tonight'],
  ])('%s: %s', (step, text, expected) => {
    const cleaned = clean(text)
    expect(cleaned.text).toBe(expected)
    expect(cleaned.changes.map((change) => change.step)).toEqual([step])
  })
  it.each([
    ['🔥🔥', 'strict', 'Nothing is left'],
    ['   ', 'careful', 'Nothing is left'],
    ['', 'open', 'Nothing is left'],
    ['bollocks', 'careful', 'Nothing is left'],
    ['what bollocks', 'strict', 'blocked word'],
  ] as const)('refuses %j at %s', (text, level, words) =>
    expect(clean(text, level)).toMatchObject({
      outcome: 'refused',
      text: '',
      spoken: '',
      refusal: expect.stringContaining(words),
    }),
  )
  it('speaks names as they are spoken here, without changing what is read', () => {
    const rules = { ...readyRules.careful, pronunciations: [{ written: 'Tomé', spoken: 'toh-meh' }] }
    expect(cleanSpeech('Olá tomé, Tomés', rules, few)).toMatchObject({
      outcome: 'kept',
      text: 'Olá tomé, Tomés',
      spoken: 'Olá toh-meh, Tomés',
    })
  })
  it('of a hundred kilobytes looks at what a voice could read of them', () =>
    expect(clean('ab '.repeat(40_000)).text.length).toBeLessThanOrEqual(readyRules.careful.maxLetters))
  it.each(strictnesses)('%s is a whole set of rules', (level) =>
    expect(speechRules.safeParse(readyRules[level]).success).toBe(true),
  )
})

describe('the messages that ship', () => {
  it('innocent ones are read byte for byte where nothing is asked', () => {
    for (const { abuse, text } of trialMessages)
      if (abuse === null)
        expect(clean(text, 'open', lists)).toEqual({ outcome: 'kept', text, spoken: text, changes: [], refusal: null })
  })
  it('innocent ones are intact at the default level', () => {
    expect(
      trialMessages
        .filter(({ abuse, text }) => abuse === null && clean(text, 'careful', lists).outcome !== 'kept')
        .map(({ text }) => text),
    ).toEqual([])
  })
  it('abusive ones are harmless at the default level: changed or refused, and short', () => {
    for (const { abuse, text } of trialMessages) {
      if (abuse === null) continue
      const cleaned = clean(text, 'careful', lists)
      expect([text, cleaned.outcome]).not.toEqual([text, 'kept'])
      expect(secondsOf(cleaned.text)).toBeLessThanOrEqual(readyRules.careful.maxSeconds)
      expect(findBlocked(cleaned.text, lists)).toEqual([])
    }
  })
})
