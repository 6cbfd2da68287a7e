import { twinOf } from './visibleText.ts'

/** Figures and signs that stand for letters. One may stand for either of two. */
const leet: Record<string, string> = { 0: 'o', 1: 'i', 3: 'e', 4: 'a', 5: 's', 7: 't', 8: 'b', 9: 'g', '@': 'a', $: 's', '!': 'i', '|': 'i', '€': 'e', '+': 't' }
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

const isWithin = (blocked: Runs, word: Runs) => blocked.counts.every((count, at) => word.counts[at] === count || (word.counts[at] ?? 0) >= Math.max(count, stretchedFrom))

/** A word without marks, in small letters, look-alikes as what they look like. */
function plain(word: string): string {
  return [...word.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase()].map(twinOf).join('')
}

/** The ways in which a word can be meant. Figures alone are a number, and stand for nothing. */
function meanings(token: string): string[] {
  const word = plain(token)
  if (!/\p{L}/u.test(word)) return []
  const read = (table: Record<string, string>) => [...word].map((letter) => table[letter] ?? letter).join('').replace(/[^\p{L}\p{N}]/gu, '')
  return [...new Set([read({}), read(leet), read(otherLeet)])].filter((meaning) => meaning !== '')
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
}

/** @param words of lists and of the channel's own, also several words together @param allowed what is fine here */
export function blockedWords(words: readonly string[], allowed: readonly string[] = []): BlockedWords {
  const fine = new Set([...allowed, ...innocent].map(plain))
  const starts = new Map<string, Runs[][]>()
  const inside: string[] = []
  for (const entry of words) {
    const written = plain(entry).trim()
    if (written === '' || fine.has(written)) continue
    if (unspaced.test(written)) {
      if ([...written].length >= insideLeast(written)) inside.push(written)
      continue
    }
    const runs = written.split(/[^\p{L}\p{N}]+/u).filter((part) => part !== '').map(runsOf)
    const [first] = runs
    if (first) starts.set(first.letters, [...(starts.get(first.letters) ?? []), runs])
  }
  return { starts, inside }
}

interface Token {
  at: number
  end: number
  meanings: Runs[]
  isLetter: boolean
}

/** Tokens are letters with the figures and signs among them that may stand for letters. */
const tokenPattern = /[\p{L}\p{N}][\p{L}\p{M}\p{N}@$!|€+'’]*|[@$][\p{L}\p{M}\p{N}@$!|€+'’]+/gu

function tokensOf(text: string): Token[] {
  return [...text.matchAll(tokenPattern)].map(({ 0: token, index }) => {
    // What ends a sentence ends no word.
    let to = token.length
    while (to > 1 && '!+\'’|'.includes(token[to - 1] ?? '')) to -= 1
    const bare = token.slice(0, to)
    return { at: index, end: index + bare.length, meanings: meanings(bare).map(runsOf), isLetter: [...bare].length === 1 }
  })
}

/** A stretch of a text, from one letter to before another; in UTF-16 units. */
export type Stretch = readonly [from: number, to: number]

/** Where blocked words stand in a text: whole words, also stretched, in look-alikes, in figures for letters, or letter by letter. Linear in the text. */
export function findBlocked(text: string, { starts, inside }: BlockedWords): Stretch[] {
  const found: Stretch[] = []
  const tokens = tokensOf(text)
  for (let at = 0; at < tokens.length; at++) {
    const length = Math.max(matchAt(tokens, at, starts), spelledAt(tokens, at, starts))
    const [first, last] = [tokens[at], tokens[at + length - 1]]
    if (length > 0 && first && last) {
      found.push([first.at, last.end])
      at += length - 1
    }
  }
  const small = text.toLowerCase()
  for (const word of inside) for (let at = small.indexOf(word); at >= 0; at = small.indexOf(word, at + word.length)) found.push([at, at + word.length])
  return found.sort(([a], [b]) => a - b)
}

/** How many tokens from one on are a blocked entry; 0: none. */
function matchAt(tokens: readonly Token[], at: number, starts: BlockedWords['starts']): number {
  let longest = 0
  for (const meaning of tokens[at]?.meanings ?? []) {
    for (const entry of starts.get(meaning.letters) ?? []) {
      const isThere = entry.every((part, index) => tokens[at + index]?.meanings.some((each) => each.letters === part.letters && isWithin(part, each)))
      if (isThere) longest = Math.max(longest, entry.length)
    }
  }
  return longest
}

const spelledMost = 24

/** Single letters one after another that make a blocked word; how many of them. */
function spelledAt(tokens: readonly Token[], at: number, starts: BlockedWords['starts']): number {
  let word = ''
  let longest = 0
  for (let index = at; index < tokens.length && index < at + spelledMost && tokens[index]?.isLetter; index++) {
    word += tokens[index]?.meanings[0]?.letters ?? ''
    if (word.length < 3) continue
    const runs = runsOf(word)
    if ((starts.get(runs.letters) ?? []).some((entry) => entry.length === 1 && entry[0] && isWithin(entry[0], runs))) longest = index - at + 1
  }
  return longest
}
