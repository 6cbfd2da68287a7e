import { languagesOfSmallWord } from './functionWords.ts'

/** Letters that only some languages write. */
const letters: readonly [RegExp, readonly string[]][] = [
  [/ß/u, ['de']],
  [/[äöü]/u, ['de', 'sv', 'fi', 'tr', 'hu']],
  [/å/u, ['sv', 'da', 'no']],
  [/[æø]/u, ['da', 'no']],
  [/[ñ¿¡]/u, ['es']],
  [/[ãõ]/u, ['pt']],
  [/[ąęłśźżćń]/u, ['pl']],
  [/[èêëîïôùûœ]/u, ['fr', 'it', 'nl']],
  [/[ěšřžčů]/u, ['cs', 'sk']],
  [/[ığş]/u, ['tr']],
  [/[ыэё]/u, ['ru', 'be']],
  [/[іїєґ]/u, ['uk', 'be']],
  [/[ђјљњћџ]/u, ['sr', 'mk']],
  [/[íóú]/u, ['es', 'pt', 'hu', 'cs']],
]
const cyrillic = ['ru', 'uk', 'bg', 'be', 'sr', 'mk']
const wordShare = 1
const onlyWordShare = 2
const letterShare = 1
const hintShare = 0.5
/** Of the likeliest language's evidence, so much makes another one likely too. */
const ratios = { sure: 0.95, likely: 0.8, possible: 0.8 }

/**
 * How sure it must be that a sentence is in a language: as likely as in any other, about as likely, or that too, and
 * where nothing tells of any language it may be in more of them.
 */
export type LanguageDoubt = keyof typeof ratios

/** Whether a sentence may be in a language. */
export type LikelyLanguages = (language: string, doubt: LanguageDoubt) => boolean

/** What speaks for each language in some words. */
function evidenceOf(words: readonly string[]): Map<string, number> {
  const evidence = new Map<string, number>()
  const add = (language: string, share: number) => evidence.set(language, (evidence.get(language) ?? 0) + share)
  for (const word of new Set(words)) {
    const languages = languagesOfSmallWord(word)
    for (const language of languages) add(language, languages.length === 1 ? onlyWordShare : wordShare)
    for (const [pattern, of] of letters) if (pattern.test(word)) for (const language of of) add(language, letterShare)
    if (/\p{Script=Cyrillic}/u.test(word)) for (const language of cyrillic) add(language, onlyWordShare)
  }
  return evidence
}

/**
 * The languages that a sentence is likely in, by its small words and its letters. Where they say nothing, by those of
 * the whole message; and where these do not either, what was guessed of it, or what the channel is in.
 * @param words of the sentence, in small letters
 * @param all those of the message
 * @param hints BCP 47's first part: the channel's language first, then what was guessed of the whole message
 * @param possible in which it may be where nothing tells of it
 */
export function likelyLanguages(
  words: readonly string[],
  all: readonly string[],
  hints: readonly string[],
  possible: readonly string[] = [],
): LikelyLanguages {
  const own = evidenceOf(words)
  const evidence = own.size > 0 ? own : evidenceOf(all)
  if (evidence.size === 0)
    return (language, doubt) => hints.includes(language) || (doubt === 'possible' && possible.includes(language))
  for (const hint of new Set(hints)) evidence.set(hint, (evidence.get(hint) ?? 0) + hintShare)
  const most = Math.max(...evidence.values())
  return (language, doubt) => (evidence.get(language) ?? 0) >= most * ratios[doubt]
}
