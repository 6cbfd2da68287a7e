import { setImmediate } from 'node:timers/promises'
import { LexiconBuilder, lexiconOf, type Lexicon } from '../../core/speech/words/lexicon.ts'
import type { BlockedWords } from '../../core/speech/words/search.ts'
import { plainEntry } from '../../core/speech/words/wordPattern.ts'
import type { SpeechRules } from '../../core/speech/rules.ts'
import { dropOldest } from '../../core/dropOldest.ts'
import { ownLanguages, wordLists } from './words/allLists.ts'

export { listedLanguages } from './words/allLists.ts'

const preparedMost = 60
const prepared = new Map<string, Lexicon>()
let lists: Lexicon | null = null

/** So many entries take a few milliseconds. */
const atOnce = 60

/** Makes the lists ready before the first message needs them, a few entries at a time: events come first. */
export async function prepareLists(): Promise<void> {
  const builder = new LexiconBuilder()
  for (const list of wordLists())
    for (const [index, entry] of list.entries()) {
      builder.add(entry)
      if (index % atOnce === 0) await setImmediate()
    }
  lists ??= builder.lexicon
}

/** A channel's own words, and what is fine there. */
function ownLexicon(ownBlocked: readonly string[], allowed: readonly string[]): Lexicon {
  const key = JSON.stringify([ownBlocked, allowed])
  const kept =
    prepared.get(key) ??
    lexiconOf(
      [
        ...ownBlocked.map((words) => plainEntry(words, null, 'everywhere')),
        ...allowed.map((words) => plainEntry(words, null, 'everywhere', 'folded')),
      ].filter((entry) => entry !== null),
    )
  prepared.delete(key)
  prepared.set(key, kept)
  dropOldest(prepared, preparedMost)
  return kept
}

/**
 * What is blocked in a message: the worst words of all languages, what else the lists hold in sentences of their
 * languages, and the channel's own words. Where nothing of the lists is taken out, only the channel's own are blocked.
 * @param languages BCP 47's first part: the channel's, and that in which the whole message seems to be
 */
export function blockedFor(
  { ownBlocked, allowed, blocked }: Pick<SpeechRules, 'ownBlocked' | 'allowed' | 'blocked'>,
  languages: readonly string[],
): BlockedWords {
  lists ??= lexiconOf([...wordLists()].flat())
  return {
    lexica: [...(blocked === 'keep' ? [] : [lists]), ownLexicon(ownBlocked, allowed)],
    languages,
    strictly: blocked === 'refuse' ? { languages: ownLanguages } : null,
  }
}
