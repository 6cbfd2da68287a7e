import { describe, expect, it } from 'vitest'
import { readMessages } from '../../../bench/messages.ts'
import { cleanSpeech } from '../../../core/speech/cleanSpeech.ts'
import { readyRules } from '../../../core/speech/rules.ts'
import { findBlocked } from '../../../core/speech/words/findBlocked.ts'
import { guessLanguage } from '../languages/guessLanguage.ts'
import { blockedFor, listedLanguages, prepareLists } from '../wordLists.ts'
import { wordLists } from './allLists.ts'

const messages = readMessages('first')
const cleaned = (text: string, level: 'careful' | 'strict') =>
  cleanSpeech(text, readyRules[level], blockedFor(readyRules[level], ['en', guessLanguage(text, 'en')]))

describe('the word lists', () => {
  it.each([
    ['careful', 0.97, 0.02],
    ['strict', 0.99, 0.06],
  ] as const)('%s: of the messages at hand abuse is stopped, and innocent ones are read', (level, least, most) => {
    const touched = messages.filter(({ text }) => cleaned(text, level).outcome !== 'kept')
    const abuse = messages.filter(({ isAbuse }) => isAbuse)
    expect(touched.filter(({ isAbuse }) => isAbuse).length / abuse.length).toBeGreaterThanOrEqual(least)
    expect(touched.filter(({ isAbuse }) => !isAbuse).length / (messages.length - abuse.length)).toBeLessThanOrEqual(
      most,
    )
  })
  it('leave nothing of it behind that they would find again', () => {
    for (const { text } of messages) {
      const left = cleaned(text, 'careful').text
      expect(findBlocked(left, blockedFor(readyRules.careful, ['en', guessLanguage(text, 'en')]))).toEqual([])
    }
  })
  it('have no line that multiplies out too far, and entries in every language that is listed', () => {
    const all = [...wordLists()].flat()
    expect(new Set(all.map(({ language }) => language))).toEqual(new Set(listedLanguages))
    expect(all.length).toBeGreaterThan(3000)
  })
  it('hold the worst words of other languages in every channel', () => {
    for (const text of ['hurensohn', 'skurwysyny', 'пиздец', 'hijoputa', 'enculé', 'filhodaputa', 'jävlar'])
      expect(findBlocked(text, blockedFor(readyRules.careful, ['en'])).length).toBe(1)
  })
  it.each(['what a moron', 'you smell', 'so ein Trottel', 'qué asqueroso', 'quel crétin', 'co za matoł', 'какой урод'])(
    'block at strict what they let through at careful: %j',
    (text) => {
      expect(cleaned(text, 'careful').outcome).toBe('kept')
      expect(cleaned(text, 'strict').outcome).toBe('refused')
    },
  )
  it('leave idioms at strict', () => {
    for (const text of ['I would die for one', 'ich sterbe vor Hunger', 'umieram z głodu', 'jag dör av hunger'])
      expect(cleaned(text, 'strict').outcome).toBe('kept')
  })
  it('hear a wish of harm however it is put', () => {
    for (const text of ['wann bringst du dich um', 'por qué no te suicidas', 'когда ты умрёшь', 'kiedy się zabijesz'])
      expect(cleaned(text, 'careful').outcome).not.toBe('kept')
  })
  it('made ready before they are needed are the same', async () => {
    await prepareLists()
    expect(findBlocked('bollocks', blockedFor(readyRules.careful, ['en'])).length).toBe(1)
  })
})
