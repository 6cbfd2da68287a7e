import naughty from 'naughty-words'
import { blockedWords, type BlockedWords } from '../../core/speech/blockedWords.ts'
import type { SpeechRules } from '../../core/speech/rules.ts'
import { dropOldest } from '../system/dropOldest.ts'

const lists = naughty
const preparedMost = 60
const prepared = new Map<string, BlockedWords>()

/** English words are blocked everywhere: they are used everywhere. */
const everywhere = 'en'

/** The languages that there are lists for. */
export const listedLanguages: readonly string[] = Object.keys(lists)

/**
 * What is blocked in a message: the lists of English, of the channel's language and of the language that the message
 * seems to be in, with the channel's own words. Not all lists at once: what is a slur in one language is "with" in
 * another. Words of the other lists are blocked where they are disguised, which is never an accident.
 */
export function blockedFor(
  { ownBlocked, allowed }: Pick<SpeechRules, 'ownBlocked' | 'allowed'>,
  languages: readonly string[],
): BlockedWords {
  const used = [...new Set([everywhere, ...languages])].filter((language) => language in lists).sort()
  const key = JSON.stringify([used, ownBlocked, allowed])
  const others = listedLanguages.filter((language) => !used.includes(language))
  const kept =
    prepared.get(key) ??
    blockedWords(
      [...used.flatMap((language) => lists[language] ?? []), ...ownBlocked],
      allowed,
      others.flatMap((language) => lists[language] ?? []),
    )
  prepared.delete(key)
  prepared.set(key, kept)
  dropOldest(prepared, preparedMost)
  return kept
}
