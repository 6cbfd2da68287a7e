import { inOneScript, plainLatin } from '../visibleText.ts'
import { runsOf, type Runs } from './letterRuns.ts'

/** Letters that no decomposition takes apart, as they are written without their marks. */
const unmarked: Record<string, string> = { ß: 'ss', ł: 'l', ø: 'o', æ: 'ae', œ: 'oe', đ: 'd', ð: 'd', þ: 'th' }

/** A word without marks, in small letters and in one script: look-alikes of another as what they look like. */
export function plainWord(word: string): string {
  if (/^[a-z]*$/.test(word)) return word
  return plainLatin(inOneScript(word.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase())).replace(
    /[ßłøæœđðþ]/gu,
    (letter) => unmarked[letter] ?? letter,
  )
}

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
const otherLeet: Record<string, string> = { ...leet, 1: 'l', '|': 'l', '!': 'l', '@': 'o' }
/** A v between consonants at a word's beginning is a u: “fvck”. Further in, the word is another one: “improvs”. */
const withU = (word: string) => word.replace(/(?<=^[^aeiouyv]{1,3})v(?=[^aeiouyv])/g, 'u')

const cyrillicLeet: Record<string, string> = { 0: 'о', 1: 'и', 3: 'з', 4: 'ч', 6: 'б', 9: 'я', '@': 'а', $: 'с' }

/**
 * A word by how English ears hear it: “phuck”, “fvck” and “fukk” sound like what they mean. Blocked words are heard
 * the same way, so that both meet.
 */
export function soundOf(plain: string): string {
  return plain
    .replace(/ph/g, 'f')
    .replace(/(?<=[^aeiou])v(?=[^aeiouy])/g, 'u')
    .replace(/ck|kk|qu?|c(?![hiey])/g, 'k')
    .replace(/z/g, 's')
    .replace(/x/g, 'ks')
}

/** A way in which a word can be meant. A disguise is never an accident. */
export interface Meaning extends Runs {
  isDisguise: boolean
  /** Heard, not read: compared with how blocked words sound. */
  isSound: boolean
}

/** A Latin word with marks on more than half of its letters: nobody's language. */
function isMarkedAllOver(token: string): boolean {
  const parts = token.normalize('NFD')
  return (parts.match(/\p{M}/gu)?.length ?? 0) * 2 > (parts.match(/\p{Script=Latin}/gu)?.length ?? Infinity)
}

/** Shorter words sound like too many others. */
const soundLeast = 4

/**
 * The ways in which a word can be meant, the plain one first. Figures alone are a number, and stand for no letters.
 * @param token letters with the figures and signs among them
 */
export function meaningsOf(token: string): Meaning[] {
  const word = plainWord(token)
  if (!/\p{L}/u.test(word)) {
    const figures = word.replace(/\P{N}/gu, '')
    return figures === '' ? [] : [{ ...runsOf(figures), isDisguise: false, isSound: false }]
  }
  const read = (table: Record<string, string>) =>
    [...word]
      .map((letter) => table[letter] ?? letter)
      .join('')
      .replace(/[^\p{L}\p{N}]/gu, '')
  const own = read({})
  const isOdd = isMarkedAllOver(token)
  const readings = /\p{Script=Cyrillic}/u.test(word)
    ? [read(cyrillicLeet)]
    : [read(leet), read(otherLeet), withU(read(leet))]
  const meanings = [...new Set([own, ...readings])]
    .filter((meaning) => meaning !== '')
    .map((meaning) => ({ ...runsOf(meaning), isDisguise: meaning !== own || isOdd, isSound: false }))
  const sound = soundOf(own)
  if (sound !== own && sound.length >= soundLeast && /^[a-z]+$/.test(own))
    meanings.push({ ...runsOf(sound), isDisguise: true, isSound: true })
  return meanings
}
