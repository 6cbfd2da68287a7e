import { languagesOfSmallWord } from './functionWords.ts'
import type { Lexicon, Phrase, PhraseSlot } from './lexicon.ts'
import { runsOf } from './letterRuns.ts'
import { lessSure, Search, surer, type BlockedWords, type Found, type Sight } from './search.ts'
import type { StemFound, StemTrie } from './stemTrie.ts'
import type { Token } from './tokens.ts'

/** A stretch of a text, from one letter to before another; in UTF-16 units. */
export type Stretch = readonly [from: number, to: number]

/** Words in two pieces are looked for up to this length of the first; both pieces are no small words. */
const pieceMost = 4
const cutLeast = 4
/** At least so many letters must be there for the rest to be guessed. */
const gapLettersLeast = 2

/** The stems that a word is, by what it may mean; how it sounds counts where English may be spoken. */
function stemsOf(search: Search, at: number, lexicon: Lexicon): Found {
  const found = new Map<number, Sight>()
  const add = (id: number, sight: Sight) => found.set(id, surer(found.get(id), sight))
  const token = search.tokens[at]
  for (const meaning of token?.meanings ?? []) {
    if (meaning.isSound && !search.isLikely(at, 'en', 'likely')) continue
    const trie = meaning.isSound ? lexicon.sounds : lexicon.blocked.stems
    const edges = search.blocked.strictly && !meaning.isSound ? 'endFree' : 'kept'
    for (const { stem, to, isStretched } of trie.find(meaning, edges)) {
      const sight: Sight = meaning.isDisguise || isStretched ? 'disguised' : 'plain'
      const isLonger = stem.endsWord && to < meaning.letters.length
      add(stem.id, isLonger ? 'longer' : sight)
    }
  }
  if (token) for (const id of stemsBehindAddress(token, lexicon)) add(id, 'disguised')
  if (token?.gaps && token.gaps.filter((letter) => letter !== '*').length >= gapLettersLeast)
    for (const { id } of lexicon.blocked.stems.findWithGaps(token.gaps)) add(id, 'disguised')
  return found
}

/** A word as it was written, in plain letters. */
const textOf = ({ meanings: [own] }: Token) =>
  own ? own.letters.map((letter, at) => letter.repeat(own.counts[at] ?? 1)).join('') : ''

/** Who somebody is called to be something: words that others are run together with. */
const addressed = /^(?:you|youre|your|ur|du|tu|ty|eres|sei|ты)(.{6,})$/u

/** Stems that a word is when whom it speaks to is taken off: “youbastard”. */
function stemsBehindAddress(token: Token, lexicon: Lexicon): number[] {
  const rest = addressed.exec(textOf(token))?.[1]
  if (rest === undefined) return []
  const runs = runsOf(rest)
  return lexicon.blocked.stems
    .find(runs)
    .filter(
      ({ stem, from, to, isStretched }) => stem.startsWord && from === 0 && to === runs.letters.length && !isStretched,
    )
    .map(({ stem }) => stem.id)
}

/** The stems that a word is as it is written, or as it is written in plain letters. */
function writtenStems({ small, isCapitalised, meanings: [own] }: Token, stems: StemTrie, isFolded: boolean): Found {
  const word = isFolded ? own : runsOf(small)
  const found = new Map<number, Sight>()
  if (!word || (isFolded && own?.isDisguise)) return found
  for (const { stem, isStretched } of stems.find(word))
    if ((isFolded || !isStretched) && (!stem.isName || isCapitalised)) found.set(stem.id, 'plain')
  return found
}

/** The longest phrase from one word on that holds there; 0: none. */
function longestAt(
  search: Search,
  at: number,
  byFirst: ReadonlyMap<number, readonly Phrase[]>,
  stems: readonly Found[],
  isFine = false,
): number {
  let longest = 0
  for (const [id, first] of stems[at] ?? [])
    for (const phrase of byFirst.get(id) ?? []) {
      if (phrase.slots.length <= longest) continue
      let sight = first
      const follows = phrase.slots.every((slot, index) => {
        if (index === 0) return true
        const fits = slotFits(slot, search.tokens[at + index], stems[at + index])
        if (fits !== null) sight = lessSure(sight, fits)
        return fits !== null
      })
      if (follows && search.holds(phrase, at, sight, isFine)) longest = phrase.slots.length
    }
  return longest
}

/** From one word to another, so many are close. */
const nearMost = 8

/** Where the words of a phrase stand around one word, in any order; the first one stands there. */
function nearAt(
  search: Search,
  at: number,
  { blocked }: Lexicon,
  stems: readonly Found[],
  isFine: (at: number) => boolean,
): number[] | null {
  const placeNear = (slot: PhraseSlot) => {
    for (let away = 1; away <= nearMost; away++)
      for (const place of [at + away, at - away]) {
        const isThere = search.isSameSentence(at, place) && slotFits(slot, search.tokens[place], stems[place]) !== null
        if (isThere && !isFine(place)) return place
      }
    return null
  }
  for (const [id, sight] of stems[at] ?? [])
    for (const phrase of blocked.nearByFirst.get(id) ?? []) {
      if (!search.holds(phrase, at, sight)) continue
      const places = phrase.slots.map((slot, index) => (index === 0 ? at : placeNear(slot)))
      const found = places.filter((place) => place !== null)
      if (found.length === places.length) return found
    }
  return null
}

function slotFits(slot: PhraseSlot, token: Token | undefined, found: Found | undefined): Sight | null {
  if (!token) return null
  if (slot === 'anyWord') return 'plain'
  if (slot === 'name') return token.isCapitalised ? 'plain' : null
  let surest: Sight | undefined
  for (const [id, sight] of found ?? []) if (slot.has(id)) surest = surer(surest, sight)
  return surest ?? null
}

/** Whether a stem is blocked as a word of its own where it was found. */
const isBlockedAlone = (search: Search, at: number, { blocked }: Lexicon, stemId: number, sight: Sight) =>
  (blocked.byFirst.get(stemId) ?? []).some((phrase) => phrase.slots.length === 1 && search.holds(phrase, at, sight))

/** Single letters one after another that make a blocked word: which of them, as places of tokens. */
function spelledAt(search: Search, at: number, lexicon: Lexicon): [from: number, to: number] | null {
  let word = ''
  let end = at
  while (search.tokens[end]?.isLetter) {
    word += search.tokens[end]?.meanings[0]?.letters[0] ?? '-'
    end += 1
  }
  if (word.length < 3) return null
  const runs = runsOf(word)
  const starts = [0]
  for (const count of runs.counts) starts.push((starts.at(-1) ?? 0) + count)
  let widest: [number, number] | null = null
  for (const { stem, from, to } of lexicon.blocked.stems.find(runs, 'free')) {
    const [first, last] = [at + (starts[from] ?? 0), at + (starts[to] ?? 0)]
    const holds = isBlockedAlone(search, at, lexicon, stem.id, 'disguised')
    if (holds && (!widest || last - first > widest[1] - widest[0])) widest = [first, last]
  }
  return widest
}

/** Whether two words after another are the halves of a blocked one. */
function isCutAt(search: Search, at: number, lexicon: Lexicon): boolean {
  const [first, second] = [search.tokens[at], search.tokens[at + 1]]
  if (!first || !second || first.isLetter || second.isLetter) return false
  if (!/^\s+$/u.test(search.text.slice(first.end, second.at))) return false
  const isShort = first.small.length <= pieceMost
  if (isShort && [first, second].some(({ small }) => languagesOfSmallWord(small).length > 0)) return false
  const word = textOf(first) + textOf(second)
  if (word.length < (isShort ? cutLeast : 7)) return false
  const runs = runsOf(word)
  return lexicon.blocked.stems.find(runs).some(({ stem, from, to, isStretched }) => {
    const isWhole = from === 0 && to === runs.letters.length && stem.runs.letters.length === runs.letters.length
    return isWhole && !isStretched && isBlockedAlone(search, at, lexicon, stem.id, 'plain')
  })
}

/** A phrase of so many letters is one also where its words are run together. */
const joinedLeast = 8

/** Whether a word begins with a phrase whose words are run together: “suckmydick”. */
function isJoined(search: Search, at: number, { blocked }: Lexicon): boolean {
  const [own] = search.tokens[at]?.meanings ?? []
  if (!own || own.letters.length < joinedLeast - 2) return false
  const begins = new Map<number, StemFound[]>()
  const beginningAt = (from: number) => {
    const known = begins.get(from) ?? blocked.stems.beginningAt(own, from)
    begins.set(from, known)
    return known
  }
  const follows = (slots: readonly PhraseSlot[], index: number, from: number): boolean => {
    const slot = slots[index]
    if (slot === undefined) return true
    return (
      typeof slot !== 'string' &&
      beginningAt(from).some(({ stem, to }) => slot.has(stem.id) && follows(slots, index + 1, to))
    )
  }
  return beginningAt(0).some(({ stem, to }) =>
    (blocked.byFirst.get(stem.id) ?? []).some(
      (phrase) =>
        phrase.slots.length > 1 &&
        phrase.letters >= joinedLeast &&
        phrase.strength === 'everywhere' &&
        follows(phrase.slots, 1, to),
    ),
  )
}

/** Which tokens are fine where they stand. */
function fineTokens(search: Search): boolean[] {
  const fine = search.tokens.map(() => false)
  for (const { fineAsWritten, fineFolded } of search.blocked.lexica)
    for (const [{ byFirst, stems }, isFolded] of [
      [fineAsWritten, false],
      [fineFolded, true],
    ] as const) {
      if (byFirst.size === 0) continue
      const found = search.tokens.map((token) => writtenStems(token, stems, isFolded))
      for (let at = 0; at < search.tokens.length; at++) {
        const length = longestAt(search, at, byFirst, found, true)
        fine.fill(true, at, at + length)
      }
    }
  return fine
}

/**
 * Where blocked words stand in a text: whole words and stems of them, also stretched, in look-alikes, in figures for
 * letters, as they sound, with letters left out, run together, cut in two or letter by letter; and phrases. What a list
 * says is fine, in a sentence of its language, is not found. Linear in the text, times the longest entry.
 */
export function findBlocked(text: string, blocked: BlockedWords): Stretch[] {
  const search = new Search(text, blocked)
  const { tokens } = search
  const found: Stretch[] = []
  let fine: boolean[] | null = null
  for (const lexicon of blocked.lexica) {
    const stems = tokens.map((_token, at) => stemsOf(search, at, lexicon))
    // Most texts hold nothing that is blocked: only of others it is asked what of it is fine.
    const isFine = (at: number) => (fine ??= fineTokens(search))[at] === true
    const push = (from: number, to: number) => {
      const [first, last] = [tokens[from], tokens[to - 1]]
      if (first && last) found.push([first.at, last.end])
    }
    const add = (from: number, to: number) => {
      for (let at = from; at < to; at++)
        if (!isFine(at)) {
          push(from, to)
          return
        }
    }
    for (let at = 0; at < tokens.length; at++) {
      const near = nearAt(search, at, lexicon, stems, isFine)
      if (near) push(Math.min(...near), Math.max(...near) + 1)
      if (tokens[at]?.isLetter && !tokens[at - 1]?.isLetter) {
        const spelled = spelledAt(search, at, lexicon)
        if (spelled) add(...spelled)
      }
      const length =
        longestAt(search, at, lexicon.blocked.byFirst, stems) ||
        (isCutAt(search, at, lexicon) ? 2 : 0) ||
        (isJoined(search, at, lexicon) ? 1 : 0)
      if (length === 0) continue
      add(at, at + length)
      at += length - 1
    }
    const small = text.toLowerCase()
    for (const word of lexicon.inside)
      for (let at = small.indexOf(word); at >= 0; at = small.indexOf(word, at + word.length))
        found.push([at, at + word.length])
  }
  return found.sort(([a], [b]) => a - b)
}
