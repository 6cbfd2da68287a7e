import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { visibleText } from '../visibleText.ts'
import { findBlocked } from './findBlocked.ts'
import { soundOf } from './foldWord.ts'
import { lexiconOf } from './lexicon.ts'
import { likelyLanguages } from './sentenceLanguages.ts'
import { plainEntry, readWordList, type WordEntry } from './wordPattern.ts'

const english = readWordList(
  `
%people = bakers|millers
bollocks|tosser+  # remarks are left out
*crust*
!encrusted / Crust ^
!crust of bread
go|run away|off? you tosser
burn all|the? %people
crumbcake please
nut(loaf|bun)
?daft
?you|your & burnt|burn
?pastr(y|ies)
~plum
`,
  'en',
  ['s', 'ing'],
)
const swedish = readWordList('~plommon\n!plum|plums', 'sv')
const lexicon = lexiconOf([...english, ...swedish])
const found = (text: string, { languages = ['en'], isStrict = false, lexica = [lexicon] } = {}) =>
  findBlocked(text, { lexica, languages, strictly: isStrict ? { languages: ['en', 'sv'] } : null }).map(([from, to]) =>
    text.slice(from, to),
  )

describe('a word list', () => {
  it.each([
    ['what bollocks', ['bollocks']],
    ['tossers and tossing', ['tossers']],
    ['the crustiest, pumpkincrusts', ['crustiest', 'pumpkincrusts']],
    ['an encrusted crust of bread', []],
    ['Crust Bolton said', []],
    ['the crust Bolton made', ['crust']],
    ['go you tosser', ['go you tosser']],
    ['run off you tosser', ['run off you tosser']],
    ['burn all bakers, burn millers', ['burn all bakers', 'burn millers']],
    ['crumbcakepleases', ['crumbcakepleases']],
    ['nutbun, nutloaf, nut loaf', ['nutbun', 'nutloaf', 'nut loaf']],
    ['nutty bun', []],
  ])('in %j finds %j', (text, expected) => expect(found(text)).toEqual(expected))
  it('has entries for strict channels alone', () => {
    expect(found('that is daft')).toEqual([])
    expect(found('that is daft', { isStrict: true })).toEqual(['daft'])
  })
  it.each([
    ['your bread is burnt', ['your bread is burnt']],
    ['burn it, you did', ['burn it, you']],
    ['you are nice. It was burnt', []],
    ['you and I and he and she and they and we burn', []],
    ['it is burnt', []],
  ])('has words that hold close to each other, in any order: %j', (text, expected) => {
    expect(found(text, { isStrict: true })).toEqual(expected)
    expect(found(text)).toEqual([])
  })
  it('of strict channels holds also at the beginning of longer words, in its language', () => {
    expect(found('the bollocksing pastrylike thing', { isStrict: true })).toEqual(['bollocksing', 'pastrylike'])
    expect(found('the bollocksing pastrylike thing')).toEqual([])
    expect(found('det är bollocksing på svenska', { isStrict: true })).toEqual([])
  })
  it('holds in sentences of its language', () => {
    expect(found('the plum is here')).toEqual(['plum'])
    expect(found('vad är det för plum')).toEqual([])
    expect(found('plum', { languages: ['sv', 'en'] })).toEqual([])
    expect(found('Vad är det för plum. The plum is here')).toEqual(['plum'])
    expect(found('ett plommon är det')).toEqual(['plommon'])
    expect(found('the plommon')).toEqual([])
  })
  it('finds what is disguised in any language: that is no accident', () =>
    expect(found('the pl0mm0n is here')).toEqual(['pl0mm0n']))
  it('says where a line says too much', () =>
    expect(() => readWordList('a? b? c? d? e? f? g? h? i? j?', 'en')).toThrow(/says too much/))
})

describe('blocked words', () => {
  const mild = lexiconOf(
    ['bollocks', 'ass', 'two girls', '馬鹿', 'fluck', 'жаба'].flatMap(
      (words) => plainEntry(words, 'en', 'everywhere') ?? [],
    ),
  )
  const few = (text: string) => found(text, { lexica: [mild] })
  it.each([
    'bollocks',
    'BOLLOCKS',
    'bolllllocks',
    'b0ll0cks',
    'b.o.l.l.o.c.k.s',
    'b o l l o c k s',
    'b*ll*cks',
    'b#llocks',
    'bol locks',
    'bоllосks',
    'böllöcks',
    'bo1locks',
    'b*o*l*l*o*c*k*s',
    'youbollocks',
    'ass',
    'a$$',
    'assss',
    'Two  girls',
    'お馬鹿さん',
    'phluck',
    'flukk',
    'ж.а.б.а',
    'ж@ба',
    'жa6a',
  ])('are found in %j', (text) => expect(few(`oh ${visibleText(text)} no`)).toHaveLength(1))
  it.each([
    'as',
    'class',
    'assess',
    'pass',
    'two boys',
    'girls two',
    '455',
    '1 2 3',
    'a s',
    'butt',
    'bollo',
    'Grassland',
    'As’s',
    'b*** of it',
    '*he* and **she**',
    'flock',
    'жабо',
  ])('are not found in %j', (text) => expect(few(`oh ${text} no`)).toEqual([]))
  it('that are fine in a channel are not blocked, however they are written', () => {
    const allowed = lexiconOf(['Bollocks'].flatMap((words) => plainEntry(words, null, 'everywhere', 'folded') ?? []))
    expect(found('my bollocks, my ass', { lexica: [mild, allowed] })).toEqual(['ass'])
  })
  it('stand where they are told to, one behind another', () => {
    const entries: WordEntry[] = readWordList('*ab*\nba ab', null)
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom('a', 'b', 'c', ' ', '.', '*', '4'), maxLength: 60 }), (text) => {
        let last = 0
        for (const [from, to] of findBlocked(text, { lexica: [lexiconOf(entries)], languages: [], strictly: null })) {
          expect(from).toBeGreaterThanOrEqual(last)
          expect(to).toBeGreaterThan(from)
          expect(to).toBeLessThanOrEqual(text.length)
          last = from
        }
      }),
    )
  })
})

describe('the language of a sentence', () => {
  it.each([
    ['nu är det slut för idag', 'sv'],
    ['der Teig ist zu dick geworden', 'de'],
    ['el gato negro duerme en la silla', 'es'],
    ['un bout de pain et une fin heureuse', 'fr'],
    ['o gato preto dorme na cadeira', 'pt'],
    ['ten pan ma dobry plan', 'pl'],
    ['the rooster and the hen', 'en'],
    ['какой красивый хлеб', 'ru'],
  ])('%s: %s', (text, language) => {
    const words = text.toLowerCase().split(' ')
    const likely = likelyLanguages(words, words, ['en'])
    expect(likely(language, 'sure')).toBe(true)
    expect(likely(language === 'en' ? 'sv' : 'en', 'sure')).toBe(false)
  })
  it('of which nothing tells is the message’s, or the channel’s', () => {
    expect(likelyLanguages(['plum'], ['plum', 'är', 'det'], ['en'])('sv', 'sure')).toBe(true)
    expect(likelyLanguages(['plum'], ['plum'], ['de', 'en'])('en', 'sure')).toBe(true)
    expect(likelyLanguages(['plum'], ['plum'], ['de', 'en'])('sv', 'likely')).toBe(false)
    expect(likelyLanguages(['plum'], ['plum'], ['en'], ['sv'])('sv', 'likely')).toBe(false)
    expect(likelyLanguages(['plum'], ['plum'], ['en'], ['sv'])('sv', 'possible')).toBe(true)
  })
})

describe('the sound of a word', () => {
  it.each([
    ['phone', 'fone'],
    ['back', 'bak'],
    ['chip', 'chip'],
    ['pzazz', 'psass'],
  ])('%s is %s', (word, sound) => expect(soundOf(word)).toBe(sound))
})
