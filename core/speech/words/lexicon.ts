import { plainWord, soundOf } from './foldWord.ts'
import { runsOf } from './letterRuns.ts'
import { StemTrie } from './stemTrie.ts'
import type { EntryStrength, PhraseWord, WordEntry } from './wordPattern.ts'

/** Any of some stems, by their ids, any word at all, or one that is written like a name. */
export type PhraseSlot = ReadonlySet<number> | 'any' | 'name'

/** Words one after another that are blocked, or fine. */
export interface Phrase {
  slots: readonly PhraseSlot[]
  strength: EntryStrength
  language: string | null
  /** How many letters its shortest wording has. */
  letters: number
}

/** Phrases by the stems that they begin with, and the tries that find these. */
interface Shelf {
  byFirst: ReadonlyMap<number, readonly Phrase[]>
  stems: StemTrie
}

/** Word lists, ready to be looked for. */
export interface Lexicon {
  blocked: Shelf
  /** The blocked stems as they sound. */
  sounds: StemTrie
  fineAsWritten: Shelf
  fineFolded: Shelf
  /** In scripts that put no space between words: looked for inside of what is written. */
  inside: readonly string[]
}

/** Scripts that put no space between words: there a blocked word is looked for inside of what is written. */
const unspaced = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u
/** In a script without spaces, shorter entries stand inside of many innocent words. */
const insideLeast = (written: string) => (/\p{Script=Thai}/u.test(written) ? 3 : 2)
/** English alone is spelled so that it is heard in many ways. Words that sound like shorter ones are too many. */
const isSounded = (sound: string) => /^[a-z]{3,}$/.test(sound)
/** A phrase that is so long is one also where its words are run together. */
const joinedLeast = 8

class ShelfBuilder {
  readonly stems = new StemTrie()
  readonly byFirst = new Map<number, Phrase[]>()
  private readonly ids = new Map<string, number>()

  constructor(
    private readonly fold: (written: string) => string,
    private readonly sounds: StemTrie | null = null,
  ) {}

  add({ words, strength, language }: WordEntry): void {
    const slots = words.map((word) => this.slotOf(word, strength, language))
    const [first] = slots
    if (!first || first === 'any' || first === 'name') return
    const letters = words.reduce(
      (sum, word) => sum + (typeof word === 'string' ? 0 : Math.min(...word.anyOf.map(({ stem }) => stem.length))),
      0,
    )
    const phrase = { slots, strength, language, letters }
    for (const id of first) this.byFirst.set(id, [...(this.byFirst.get(id) ?? []), phrase])
  }

  private slotOf(word: PhraseWord, strength: EntryStrength, language: string | null): PhraseSlot {
    if (typeof word === 'string') return word
    return new Set(
      word.anyOf.flatMap(({ stem, startsWord, endsWord, isName }) => {
        const folded = this.fold(stem)
        if (folded === '') return []
        const key = `${isName ? '^' : ''}${startsWord ? '' : '*'}${folded}${endsWord ? '' : '*'}`
        const known = this.ids.get(key)
        if (known !== undefined) return [known]
        const id = this.ids.size
        this.ids.set(key, id)
        this.stems.add({ id, runs: runsOf(folded), startsWord, endsWord, isName })
        const sound = soundOf(folded)
        if (this.sounds && language === 'en' && strength === 'everywhere' && isSounded(sound))
          // The sound of a stem inside of a word is too many words.
          this.sounds.add({ id, runs: runsOf(sound), startsWord: true, endsWord, isName })
        return [id]
      }),
    )
  }
}

/** A phrase of plain words as one word, and as how longer ones begin; null where it is too short for that. */
function joined(entry: WordEntry): WordEntry | null {
  if (entry.words.length < 2 || entry.strength !== 'everywhere') return null
  let stems: string[] = ['']
  for (const word of entry.words) {
    if (typeof word === 'string') return null
    stems = stems.flatMap((start) => word.anyOf.map(({ stem }) => start + stem))
    if (stems.length > 60) return null
  }
  const anyOf = stems
    .filter((stem) => stem.length >= joinedLeast)
    .map((stem) => ({ stem, startsWord: true, endsWord: false, isName: false }))
  return anyOf.length > 0 ? { ...entry, words: [{ anyOf }] } : null
}

/** Makes word lists ready to be looked for. In time linear in their letters. */
export function lexiconOf(entries: readonly WordEntry[]): Lexicon {
  const sounds = new StemTrie()
  const blocked = new ShelfBuilder(plainWord, sounds)
  const fineAsWritten = new ShelfBuilder((written) => written.normalize('NFC').toLowerCase())
  const fineFolded = new ShelfBuilder(plainWord)
  const inside: string[] = []
  for (const entry of entries) {
    const [word] = entry.words
    const stem = word && typeof word !== 'string' ? (word.anyOf[0]?.stem ?? '') : ''
    if (entry.fine === 'asWritten') fineAsWritten.add(entry)
    else if (entry.fine === 'folded') fineFolded.add(entry)
    else if (unspaced.test(stem)) {
      if ([...stem].length >= insideLeast(stem)) inside.push(stem.normalize('NFC').toLowerCase())
    } else {
      blocked.add(entry)
      const asOne = joined(entry)
      if (asOne) blocked.add(asOne)
    }
  }
  return { blocked, sounds, fineAsWritten, fineFolded, inside }
}
