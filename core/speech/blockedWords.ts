import { twinOf } from './visibleText.ts'

/** Figures and signs that stand for letters. One may stand for either of two. */
const leet: Record<string, string> = {
  0: 'o',
  1: 'i',
  3: 'e',
  4: 'a',
  5: 's',
  7: 't',
  8: 'b',
  9: 'g',
  '@': 'a',
  $: 's',
  '!': 'i',
  '|': 'i',
  '€': 'e',
  '+': 't',
}
const otherLeet: Record<string, string> = { ...leet, 1: 'l', '|': 'l', '!': 'l' }

/** Letters with how often each follows itself: "shiit" is s1 h1 i2 t1. */
interface Runs {
  letters: string
  counts: number[]
}

function runsOf(word: string): Runs {
  let letters = ''
  const counts: number[] = []
  for (const letter of word) {
    if (letters.endsWith(letter)) counts[counts.length - 1] = (counts.at(-1) ?? 0) + 1
    else {
      letters += letter
      counts.push(1)
    }
  }
  return { letters, counts }
}

/** From so many on, a letter that follows itself is stretched; before, it is another word: “bite” is not “bitte”. */
const stretchedFrom = 3

const isWithin = (blocked: Runs, word: Runs) =>
  blocked.counts.every(
    (count, at) => word.counts[at] === count || (word.counts[at] ?? 0) >= Math.max(count, stretchedFrom),
  )

/** A word without marks, in small letters, look-alikes as what they look like. */
function plain(word: string): string {
  return [...word.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()].map(twinOf).join('')
}

/** A way in which a word can be meant. A disguise is never an accident. */
interface Meaning extends Runs {
  isDisguise: boolean
}

/** A Latin word with marks on more than half of its letters: nobody's language. */
function isMarkedAllOver(token: string): boolean {
  const parts = token.normalize('NFD')
  return (parts.match(/\p{M}/gu)?.length ?? 0) * 2 > (parts.match(/\p{Script=Latin}/gu)?.length ?? Infinity)
}

/** The ways in which a word can be meant. Figures alone are a number, and stand for nothing. */
function meanings(token: string): Meaning[] {
  const word = plain(token)
  if (!/\p{L}/u.test(word)) return []
  const read = (table: Record<string, string>) =>
    [...word]
      .map((letter) => table[letter] ?? letter)
      .join('')
      .replace(/[^\p{L}\p{N}]/gu, '')
  const own = read({})
  return [...new Set([own, read(leet), read(otherLeet)])]
    .filter((meaning) => meaning !== '')
    .map((meaning) => ({ ...runsOf(meaning), isDisguise: meaning !== own || isMarkedAllOver(token) }))
}

/** Scripts that put no space between words: there a blocked word is looked for inside of what is written. */
const unspaced = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u

/** In a script without spaces, shorter entries stand inside of many innocent words. */
const insideLeast = (written: string) => (/\p{Script=Thai}/u.test(written) ? 3 : 2)

/** What lists block and nobody means: kisses at the end of a message. */
const innocent = ['xx']

/** Words that are not to be read, ready to be looked for. */
export interface BlockedWords {
  /** By the letters of their first word, each of them once in a row. */
  starts: ReadonlyMap<string, readonly Runs[][]>
  inside: readonly string[]
  /** Words of further lists, whose plain form may be innocent here: found where they are disguised. */
  disguised: ReadonlyMap<string, readonly Runs[][]>
  /** All of them by their length and first letter, for words with letters left out. */
  byShape: ReadonlyMap<string, readonly string[]>
}

const shapeOf = (word: string) => `${[...word].length}${[...word][0] ?? ''}`
/** Shorter words of other languages, disguised, may be anything. */
const disguisedLeast = 4
/** An s at its end makes no other word of one that is so long. */
const pluralLeast = 4

/**
 * @param words of lists and of the channel's own, also several words together
 * @param allowed what is fine here
 * @param others words of lists of other languages: blocked only where they are disguised
 */
export function blockedWords(
  words: readonly string[],
  allowed: readonly string[] = [],
  others: readonly string[] = [],
): BlockedWords {
  const fine = new Set([...allowed, ...innocent].map(plain))
  const starts = new Map<string, Runs[][]>()
  const disguised = new Map<string, Runs[][]>()
  const byShape = new Map<string, string[]>()
  const inside: string[] = []
  const add = (to: Map<string, Runs[][]>, written: string) => {
    const parts = written.split(/[^\p{L}\p{N}]+/u).filter((part) => part !== '')
    const runs = parts.map(runsOf)
    const [first] = runs
    if (!first) return
    to.set(first.letters, [...(to.get(first.letters) ?? []), runs])
    if (parts.length === 1) byShape.set(shapeOf(written), [...(byShape.get(shapeOf(written)) ?? []), written])
  }
  for (const entry of words) {
    const written = plain(entry).trim()
    if (written === '' || fine.has(written)) continue
    if (unspaced.test(written)) {
      if ([...written].length >= insideLeast(written)) inside.push(written)
      continue
    }
    add(starts, written)
    if (/^[a-z]+$/.test(written) && written.length >= pluralLeast && !written.endsWith('s') && !fine.has(`${written}s`))
      add(starts, `${written}s`)
  }
  for (const entry of others) {
    const written = plain(entry).trim()
    if (written.length >= disguisedLeast && !fine.has(written) && !unspaced.test(written) && !/\s/u.test(written))
      add(disguised, written)
  }
  return { starts, inside, disguised, byShape }
}

interface Token {
  at: number
  end: number
  meanings: Meaning[]
  isLetter: boolean
  /** As it was written, where letters of it are left out: sh*t. */
  gaps: string | null
}

/** Tokens are letters with the figures and signs among them that may stand for letters. */
const tokenPattern = /[\p{L}\p{N}][\p{L}\p{M}\p{N}@$!|€+'’*]*|[@$][\p{L}\p{M}\p{N}@$!|€+'’*]+/gu

function tokensOf(text: string): Token[] {
  return [...text.matchAll(tokenPattern)].map(({ 0: token, index }) => {
    // What ends a sentence ends no word.
    let to = token.length
    while (to > 1 && "!+'’|".includes(token[to - 1] ?? '')) to -= 1
    const bare = token.slice(0, to)
    return {
      at: index,
      end: index + bare.length,
      meanings: meanings(bare.replaceAll('*', '')),
      isLetter: [...bare].length === 1,
      gaps: bare.includes('*') ? plain(bare) : null,
    }
  })
}

/** A stretch of a text, from one letter to before another; in UTF-16 units. */
export type Stretch = readonly [from: number, to: number]

/**
 * Where blocked words stand in a text: whole words, also stretched, in look-alikes, in figures for letters, with
 * letters left out, cut in two or letter by letter. Linear in the text.
 */
export function findBlocked(text: string, blocked: BlockedWords): Stretch[] {
  const found: Stretch[] = []
  const tokens = tokensOf(text)
  for (let at = 0; at < tokens.length; at++) {
    const length = Math.max(
      matchAt(tokens, at, blocked),
      spelledAt(tokens, at, blocked),
      hasGaps(tokens[at], blocked) ? 1 : 0,
      isCutAt(tokens, at, blocked) ? 2 : 0,
    )
    const [first, last] = [tokens[at], tokens[at + length - 1]]
    if (length > 0 && first && last) {
      found.push([first.at, last.end])
      at += length - 1
    }
  }
  const small = text.toLowerCase()
  for (const word of blocked.inside)
    for (let at = small.indexOf(word); at >= 0; at = small.indexOf(word, at + word.length))
      found.push([at, at + word.length])
  return found.sort(([a], [b]) => a - b)
}

const isStretched = (blocked: Runs, word: Runs) => blocked.counts.some((count, at) => word.counts[at] !== count)

/** How many tokens from one on are a blocked entry; 0: none. */
function matchAt(tokens: readonly Token[], at: number, { starts, disguised }: BlockedWords): number {
  let longest = 0
  const follows = (entry: readonly Runs[]) =>
    entry.every((part, index) =>
      tokens[at + index]?.meanings.some((each) => each.letters === part.letters && isWithin(part, each)),
    )
  for (const meaning of tokens[at]?.meanings ?? []) {
    for (const entry of starts.get(meaning.letters) ?? []) if (follows(entry)) longest = Math.max(longest, entry.length)
    for (const [part] of disguised.get(meaning.letters) ?? [])
      if (part && isWithin(part, meaning) && (meaning.isDisguise || isStretched(part, meaning)))
        longest = Math.max(longest, 1)
  }
  return longest
}

const spelledMost = 24

/** Single letters one after another that make a blocked word; how many of them. */
function spelledAt(tokens: readonly Token[], at: number, { starts, disguised }: BlockedWords): number {
  let word = ''
  let longest = 0
  for (let index = at; index < tokens.length && index < at + spelledMost && tokens[index]?.isLetter; index++) {
    word += tokens[index]?.meanings[0]?.letters ?? ''
    if (word.length < 3) continue
    const runs = runsOf(word)
    const entries = [...(starts.get(runs.letters) ?? []), ...(disguised.get(runs.letters) ?? [])]
    if (entries.some((entry) => entry.length === 1 && entry[0] && isWithin(entry[0], runs))) longest = index - at + 1
  }
  return longest
}

/** At least so many letters must be there for the rest to be guessed. */
const lettersLeft = 2

/** Whether a word with stars for letters is a blocked one. */
function hasGaps(token: Token | undefined, { byShape }: BlockedWords): boolean {
  const gaps = token?.gaps
  if (!gaps || gaps.replaceAll('*', '').length < lettersLeft) return false
  const letters = [...gaps]
  return (byShape.get(shapeOf(gaps)) ?? []).some((word) =>
    [...word].every((letter, at) => letters[at] === '*' || letters[at] === letter),
  )
}

/** Shorter ones come about by chance: "my pen is blue". */
const cutLeast = 7

/** Whether two words after another are the halves of a blocked one. */
function isCutAt(tokens: readonly Token[], at: number, { starts }: BlockedWords): boolean {
  const [first, second] = [tokens[at], tokens[at + 1]]
  if (!first || !second || first.isLetter || second.isLetter) return false
  const word = textOf(first) + textOf(second)
  if (word.length < cutLeast) return false
  const runs = runsOf(word)
  return (starts.get(runs.letters) ?? []).some(
    (entry) => entry.length === 1 && entry[0] && entry[0].counts.every((count, index) => runs.counts[index] === count),
  )
}

/** A word as it was written, in plain letters. */
const textOf = ({ meanings: [own] }: Token) =>
  own ? [...own.letters].map((letter, at) => letter.repeat(own.counts[at] ?? 1)).join('') : ''
