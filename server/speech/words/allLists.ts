import naughty from 'naughty-words'
import { plainEntry, readWordList, type WordEntry } from '../../../core/speech/words/wordPattern.ts'
import { english } from './english.ts'
import { englishHarm } from './englishHarm.ts'
import { french } from './french.ts'
import { german } from './german.ts'
import { polish } from './polish.ts'
import { portuguese } from './portuguese.ts'
import { russian } from './russian.ts'
import { spanish } from './spanish.ts'
import { strictLists } from './strictly.ts'
import { swedish } from './swedish.ts'
import { transliterated } from './transliterated.ts'
import type { WordList } from './wordList.ts'

const own: readonly WordList[] = [
  english,
  englishHarm,
  french,
  german,
  polish,
  portuguese,
  russian,
  spanish,
  swedish,
  transliterated,
  ...strictLists,
]

/** The languages that there are lists of our own for. */
export const ownLanguages: readonly string[] = [...new Set(own.map(({ language }) => language))]

/** The languages that there are lists for. */
export const listedLanguages: readonly string[] = Object.keys(naughty)

/** English words are blocked everywhere: they are used everywhere. Those of others are everyday words elsewhere. */
const publicStrength = (language: string) => (language === 'en' ? 'everywhere' : 'inLanguage')

/** An s at its end makes no other word of one that is so long. */
const pluralLeast = 4

function withPlural(entry: WordEntry | null): WordEntry | null {
  const [word, ...rest] = entry?.words ?? []
  if (!entry || !word || typeof word === 'string' || rest.length > 0) return entry
  const [pattern] = word.anyOf
  if (!pattern || pattern.stem.length < pluralLeast || !/^\p{Script=Latin}+$/u.test(pattern.stem)) return entry
  return { ...entry, words: [{ anyOf: [pattern, { ...pattern, stem: `${pattern.stem}s` }] }] }
}

function publicEntries(language: string): WordEntry[] {
  const list = own.find((each) => each.language === language)
  const everyday = new Set(list?.everyday.map((entry) => entry.toLowerCase()))
  const mild = (list?.mild ?? []).map((entry) => plainEntry(entry, language, 'strict'))
  const all = (naughty[language] ?? [])
    .filter((entry) => !everyday.has(entry.toLowerCase()))
    .map((entry) => {
      const plain = plainEntry(entry, language, publicStrength(language))
      return language === 'en' ? withPlural(plain) : plain
    })
  return [...mild, ...all].filter((entry) => entry !== null)
}

/**
 * Every list, one after another: our own, of stems and phrases that are meant nowhere in another way (and, where they
 * are, of those only in their language), and the public ones, whose words of other languages hold in sentences of these.
 */
export function* wordLists(): Generator<WordEntry[]> {
  for (const { lines, language, endings } of own) yield readWordList(lines, language, endings)
  for (const language of listedLanguages) yield publicEntries(language)
}
