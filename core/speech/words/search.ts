import type { Lexicon, Phrase } from './lexicon.ts'
import { likelyLanguages, type LanguageDoubt, type LikelyLanguages } from './sentenceLanguages.ts'
import { tokensOf, type Token } from './tokens.ts'

/** What is not to be read, and where it is looked for. */
export interface BlockedWords {
  lexica: readonly Lexicon[]
  /** BCP 47's first part: the channel's language, and that in which the whole message seems to be. */
  languages: readonly string[]
  /** Entries that only strict channels block hold too, and those of these languages where nothing tells of any. */
  strictly: { languages: readonly string[] } | null
}

/** How a stem was found: as it is, in disguise, or as the beginning of a longer word; the surer one first. */
const sights = ['plain', 'disguised', 'longer'] as const
export type Sight = (typeof sights)[number]
export const lessSure = (a: Sight, b: Sight): Sight => (sights.indexOf(a) > sights.indexOf(b) ? a : b)
/** @param kept undefined where it was not found yet */
export const surer = (kept: Sight | undefined, found: Sight): Sight =>
  kept === undefined || lessSure(kept, found) === kept ? found : kept

/** Stems that a word may be, each with how it was found. */
export type Found = ReadonlyMap<number, Sight>

/** Shorter words of other languages, disguised, may be anything; where a channel is strict, that is risked. */
const disguisedLeast = { careful: 4, strict: 3 }

/** A text while it is looked through. */
export class Search {
  readonly tokens: readonly Token[]
  private readonly sentences: readonly number[]
  private readonly likely = new Map<number, LikelyLanguages>()

  constructor(
    readonly text: string,
    readonly blocked: BlockedWords,
  ) {
    this.tokens = tokensOf(text)
    let sentence = 0
    this.sentences = this.tokens.map((token, at) => {
      const before = this.tokens[at - 1]
      if (before && /[.!?…\n]\s/u.test(text.slice(before.end, token.at))) sentence += 1
      return sentence
    })
  }

  isSameSentence(at: number, other: number): boolean {
    return this.sentences[at] === this.sentences[other]
  }

  isLikely(at: number, language: string, doubt: LanguageDoubt): boolean {
    const sentence = this.sentences[at] ?? 0
    const kept =
      this.likely.get(sentence) ??
      likelyLanguages(
        this.tokens.filter((_token, index) => this.sentences[index] === sentence).map(({ small }) => small),
        this.tokens.map(({ small }) => small),
        this.blocked.languages,
        this.blocked.strictly?.languages,
      )
    this.likely.set(sentence, kept)
    return kept(language, doubt)
  }

  /** Whether a phrase counts where it was found. */
  holds({ strength, language, letters }: Phrase, at: number, sight: Sight, isFine = false): boolean {
    const { strictly } = this.blocked
    if (strength === 'strict' && !strictly) return false
    if (language === null || (strength === 'everywhere' && sight !== 'longer')) return true
    if (isFine) return this.isLikely(at, language, 'likely')
    if (sight === 'disguised' && letters >= (strictly ? disguisedLeast.strict : disguisedLeast.careful)) return true
    // Of a longer word it must be told that it is in that language.
    const doubt = sight === 'longer' ? 'likely' : 'possible'
    return this.isLikely(at, language, strictly ? doubt : 'sure')
  }
}
