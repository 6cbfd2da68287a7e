import { easeAddresses, pieces } from './addresses.ts'
import { easeNumbers } from './numbers.ts'
import { findBlocked } from './words/findBlocked.ts'
import type { BlockedWords } from './words/search.ts'
import type { SpeechRules } from './rules.ts'
import { secondsOf } from './secondsOf.ts'
import { visibleText } from './visibleText.ts'

/** The steps, in the order in which they are taken. */
export const speechSteps = [
  'emotes',
  'unseen',
  'links',
  'capitals',
  'blocked',
  'emoji',
  'numbers',
  'letters',
  'words',
  'length',
  'seconds',
] as const
export type SpeechStep = (typeof speechSteps)[number]

/** What one step changed. */
export interface SpeechChange {
  step: SpeechStep
  before: string
  after: string
}

export interface CleanedSpeech {
  outcome: 'kept' | 'changed' | 'refused'
  /** What is read aloud; empty where none of it is. */
  text: string
  /** The same as it is spoken here: what a voice is given. */
  spoken: string
  changes: SpeechChange[]
  /** Why nothing is read; null where something is. */
  refusal: string | null
}

/** An emoji with all that belongs to it: skin, sex, families, flags, figures in boxes. */
const emoji =
  /(?:\p{Regional_Indicator}{2}|[0-9#*]\uFE0F?\u20E3|\p{Extended_Pictographic}(?:\uFE0F|\p{Emoji_Modifier})?(?:\u200D\p{Extended_Pictographic}(?:\uFE0F|\p{Emoji_Modifier})?)*)/gu

/** So many of the same emoji in a row are read; more are one. */
const emojiInARow = 2
/** So many of them in a whole message. */
const emojiMost = 6

/** Long rows of the same emoji as one. */
function emojiOnce(text: string): string {
  const all = [...text.matchAll(emoji)].map(({ 0: each, index }) => ({ each, at: index, end: index + each.length }))
  const rows: (typeof all)[] = []
  // Many different ones are a wall too.
  const beyond = all[emojiMost]
  if (beyond)
    return emojiOnce(
      text.slice(0, beyond.at) +
        text
          .slice(beyond.at)
          .replace(emoji, '')
          .replace(/\s{2,}/gu, ' '),
    ).trimEnd()
  for (const found of all) {
    const before = rows.at(-1)?.at(-1)
    if (before && before.each === found.each && text.slice(before.end, found.at).trim() === '') rows.at(-1)?.push(found)
    else rows.push([found])
  }
  let left = ''
  let at = 0
  for (const row of rows.filter(({ length }) => length > emojiInARow)) {
    left += text.slice(at, row[0]?.end)
    at = row.at(-1)?.end ?? at
  }
  return left + text.slice(at)
}

/** Laughter is written so often; more is held. */
const syllablesKept = 3

/** Three full stops, or three exclamation marks, are how people write. */
const marksInARow = 3

/** A letter that follows itself too often stands twice, a syllable thrice. */
function easeLetters(text: string, most: number): string {
  return text
    .replace(/([^\s\p{Nd}])\1{2,}/gu, (run, letter: string) =>
      [...run].length > (/\p{P}/u.test(letter) ? Math.max(most, marksInARow) : most)
        ? letter.repeat(Math.min(2, most))
        : run,
    )
    .replace(/([^\s\p{Nd}]{2,4}?)\1{5,}/gu, (_run, syllable: string) => syllable.repeat(syllablesKept))
}

const phraseMost = 12
/** From so many words on, what is said again is said once. */
const longPhrase = 5

/** Words, or up to twelve words together, that follow themselves too often stand as often as they may. */
function easeWords(text: string, most: number): string {
  let words = text.trim().split(/\s+/u)
  for (let length = 1; length <= phraseMost; length++) {
    const kept: string[] = []
    let same = 1
    for (let at = 0; at < words.length;) {
      const phrase = words.slice(at, at + length)
      const before = kept.slice(-length)
      const isAgain =
        phrase.length === length &&
        before.length === length &&
        phrase.every((word, index) => word.toLowerCase() === before[index]?.toLowerCase())
      same = isAgain ? same + 1 : 1
      if (!isAgain) {
        kept.push(words[at] ?? '')
        at += 1
        continue
      }
      if (same <= (length >= longPhrase ? 1 : most)) kept.push(...phrase)
      at += length
    }
    words = kept
  }
  const eased = words.join(' ')
  return eased === text.trim().replace(/\s+/gu, ' ') ? text : eased
}

const shoutedLetters = 4
/** A text is shouted where so many of its letters are capitals; a name or a word in capitals here and there is not. */
const shoutedShare = 0.6

function easeCapitals(text: string): string {
  const capitals = text.match(/\p{Lu}/gu)?.length ?? 0
  const small = text.match(/\p{Ll}/gu)?.length ?? 0
  if (capitals <= (capitals + small) * shoutedShare) return text
  return text.replace(/\p{Lu}[\p{Lu}\p{M}]+/gu, (word) =>
    [...word].length > shoutedLetters ? word.toLowerCase() : word,
  )
}

/** A text as it is spoken here: names and words by their pronunciations. */
export function speakAs(text: string, pronunciations: SpeechRules['pronunciations']): string {
  const spoken = new Map(pronunciations.map(({ written, spoken: as }) => [written.toLowerCase(), as]))
  return spoken.size === 0 ? text : text.replace(/[\p{L}\p{N}_]+/gu, (word) => spoken.get(word.toLowerCase()) ?? word)
}

const wordMost = 40

/** At most so many letters, ending with a word; a word that is longer than any is cut. */
function shorten(text: string, most: number): string {
  const words = pieces(text).map((word) => ([...word].length > wordMost ? [...word].slice(0, wordMost).join('') : word))
  const short = words.join('')
  if (short.length <= most) return short
  const cut = short.slice(0, most + 1)
  const end = cut.search(/\s+\S*$/u)
  // Never half of a letter that takes two units.
  return (end > 0 ? cut.slice(0, end) : cut.slice(0, most).replace(/[\uD800-\uDBFF]$/u, '')).trimEnd()
}

/** Words go from the end; of a word that alone takes too long, letters. */
function withinSeconds(text: string, most: number): string {
  if (secondsOf(text) <= most) return text
  const words = text.split(/\s+/u)
  while (words.length > 1 && secondsOf(words.join(' ')) > most) words.pop()
  let left = words.join(' ')
  while (left.length > 1 && secondsOf(left) > most) left = [...left].slice(0, -1).join('')
  return left
}

function leaveOut(text: string, blocked: BlockedWords): string {
  let left = ''
  let at = 0
  for (const [from, to] of findBlocked(text, blocked)) {
    if (from < at) continue
    left += text.slice(at, from)
    at = to
  }
  return at === 0 ? text : (left + text.slice(at)).replace(/\s{2,}/gu, ' ').trim()
}

/** A message without its emotes; spans that overlap or reach beyond it are left as words. */
function withoutEmotes(text: string, emotes: readonly { from: number; to: number }[]): string {
  let left = ''
  let at = 0
  for (const { from, to } of [...emotes].sort((a, b) => a.from - b.from)) {
    if (from < at || to <= from || to > text.length) continue
    left += text.slice(at, from)
    at = to
  }
  return at === 0 ? text : (left + text.slice(at)).replace(/\s{2,}/gu, ' ').trim()
}

function easeEmoji(text: string, how: SpeechRules['emoji']): string {
  if (how === 'keep') return text
  if (how === 'once') return emojiOnce(text)
  return text
    .replace(emoji, ' ')
    .replace(/\s{2,}/gu, ' ')
    .trim()
}

const rounds = 4
const lookedAt = 2000

/**
 * What of a message is read aloud, and what each step changed. Cleaning what was cleaned changes nothing; what comes
 * out is never longer than the rules allow and never holds a blocked word. Steps are linear in the message; of more
 * than two thousand letters only these are looked at: a voice reads a quarter of them at most.
 * @param blocked the lists and the channel's own words, made ready by `blockedWords`
 * @param emotes where the platform says that a word is a picture; UTF-16 units
 */
export function cleanSpeech(
  message: string,
  rules: SpeechRules,
  blocked: BlockedWords,
  emotes: readonly { from: number; to: number }[] = [],
): CleanedSpeech {
  const start = message.slice(0, lookedAt)
  const worded = rules.readsEmotes ? start : withoutEmotes(start, emotes)
  const steps: Record<SpeechStep, (text: string) => string> = {
    // Their places are those of the message as it came: taken out once, before anything else.
    emotes: (text) => text,
    unseen: visibleText,
    links: (text) => (rules.easesLinks ? easeAddresses(text) : text),
    capitals: (text) => (rules.easesCapitals ? easeCapitals(text) : text),
    blocked: (text) => (rules.blocked === 'leaveOut' ? leaveOut(text, blocked) : text),
    emoji: (text) => easeEmoji(text, rules.emoji),
    numbers: (text) => (rules.figures > 0 ? easeNumbers(text, rules.figures) : text),
    letters: (text) => (rules.lettersInARow > 0 ? easeLetters(text, rules.lettersInARow) : text),
    words: (text) => (rules.wordsInARow > 0 ? easeWords(text, rules.wordsInARow) : text),
    length: (text) => shorten(text, rules.maxLetters),
    seconds: (text) => withinSeconds(text, rules.maxSeconds),
  }
  const changes: SpeechChange[] = worded === start ? [] : [{ step: 'emotes', before: start, after: worded }]
  const refused = (refusal: string): CleanedSpeech => ({ outcome: 'refused', text: '', spoken: '', changes, refusal })
  let text = worded
  // What one step leaves may be what another is for: until nothing changes.
  for (let round = 0; round < rounds; round++) {
    const before = text
    for (const step of speechSteps) {
      const after = steps[step](text)
      if (after !== text) changes.push({ step, before: text, after })
      text = after
      if (step === 'unseen' && rules.blocked === 'refuse' && findBlocked(text, blocked).length > 0)
        return refused('It holds a blocked word.')
    }
    if (text === before) break
  }
  if (rules.blocked !== 'keep' && findBlocked(text, blocked).length > 0) return refused('It holds a blocked word.')
  if (!/[\p{L}\p{N}\p{Extended_Pictographic}]/u.test(text)) return refused('Nothing is left to be read.')
  return {
    outcome: text === message ? 'kept' : 'changed',
    text,
    spoken: speakAs(text, rules.pronunciations),
    changes,
    refusal: null,
  }
}
