import { plainWord, soundOf } from './foldWord.ts'
import { runsOf } from './letterRuns.ts'
import { StemTrie } from './stemTrie.ts'
import type { EntryStrength, PhraseWord, WordEntry, WordPattern } from './wordPattern.ts'

/** Any of some stems, by their ids, any word at all, or one that is written like a name. */
export type PhraseSlot = ReadonlySet<number> | 'anyWord' | 'name'

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
  /** Those whose words stand close to each other, in any order. */
  nearByFirst: ReadonlyMap<number, readonly Phrase[]>
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

class ShelfBuilder {
  readonly stems = new StemTrie()
  readonly byFirst = new Map<number, Phrase[]>()
  readonly nearByFirst = new Map<number, Phrase[]>()
  private readonly ids = new Map<string, number>()
  private readonly sounding = new Set<number>()
  private readonly slots = new Map<PhraseWord, PhraseSlot>()

  constructor(
    private readonly fold: (written: string) => string,
    private readonly sounds: StemTrie | null = null,
  ) {}

  add({ words, strength, language, isNear = false }: WordEntry): void {
    const slots = words.map((word) => this.slotOf(word, strength, language))
    const [first] = slots
    if (!first || first === 'anyWord' || first === 'name') return
    const letters = words.reduce(
      (sum, word) => sum + (typeof word === 'string' ? 0 : Math.min(...word.anyOf.map(({ stem }) => stem.length))),
      0,
    )
    const phrase = { slots, strength, language, letters }
    const shelf = isNear ? this.nearByFirst : this.byFirst
    for (const id of first) {
      const phrases = shelf.get(id)
      if (phrases) phrases.push(phrase)
      else shelf.set(id, [phrase])
    }
  }

  private slotOf(word: PhraseWord, strength: EntryStrength, language: string | null): PhraseSlot {
    if (typeof word === 'string') return word
    const isSounding = this.sounds !== null && language === 'en' && strength === 'everywhere'
    const known = this.slots.get(word)
    if (known && !isSounding) return known
    const slot = new Set(word.anyOf.flatMap((pattern) => this.idOf(pattern, isSounding) ?? []))
    this.slots.set(word, slot)
    return slot
  }

  private idOf({ stem, startsWord, endsWord, isName }: WordPattern, isSounding: boolean): number | null {
    const folded = this.fold(stem)
    if (folded === '') return null
    const key = `${isName ? '^' : ''}${startsWord ? '' : '*'}${folded}${endsWord ? '' : '*'}`
    const id = this.ids.get(key) ?? this.ids.size
    if (!this.ids.has(key)) this.stems.add({ id, runs: runsOf(folded), startsWord, endsWord, isName })
    this.ids.set(key, id)
    const sound = isSounding ? soundOf(folded) : ''
    // The sound of a stem inside of a word is too many words.
    if (isSounded(sound) && !this.sounding.has(id)) {
      this.sounding.add(id)
      this.sounds?.add({ id, runs: runsOf(sound), startsWord: true, endsWord, isName })
    }
    return id
  }
}

/** Makes word lists ready to be looked for, entry by entry: all at once would keep others waiting. */
export class LexiconBuilder {
  private readonly sounds = new StemTrie()
  private readonly blocked = new ShelfBuilder(plainWord, this.sounds)
  private readonly fineAsWritten = new ShelfBuilder((written) => written.normalize('NFC').toLowerCase())
  private readonly fineFolded = new ShelfBuilder(plainWord)
  private readonly inside: string[] = []

  add(entry: WordEntry): void {
    const [word] = entry.words
    const stem = word && typeof word !== 'string' ? (word.anyOf[0]?.stem ?? '') : ''
    if (entry.fine === 'asWritten') this.fineAsWritten.add(entry)
    else if (entry.fine === 'folded') this.fineFolded.add(entry)
    else if (unspaced.test(stem)) {
      if ([...stem].length >= insideLeast(stem)) this.inside.push(stem.normalize('NFC').toLowerCase())
    } else this.blocked.add(entry)
  }

  get lexicon(): Lexicon {
    const { blocked, sounds, fineAsWritten, fineFolded, inside } = this
    return { blocked, sounds, fineAsWritten, fineFolded, inside }
  }
}

/** Word lists ready to be looked for, at once. In time linear in their letters. */
export function lexiconOf(entries: readonly WordEntry[]): Lexicon {
  const builder = new LexiconBuilder()
  for (const entry of entries) builder.add(entry)
  return builder.lexicon
}
