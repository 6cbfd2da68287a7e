import type { Runs } from './letterRuns.ts'

/** From so many on, a letter that follows itself is stretched; before, it is another word: “bite” is not “bitte”. */
export const stretchedFrom = 3

/** A stem that is looked for, by an id that patterns of the same stem share. */
export interface Stem {
  id: number
  runs: Runs
  startsWord: boolean
  endsWord: boolean
  /** Only where the word begins with a capital. */
  isName: boolean
}

interface Node {
  next: Map<string, Node>
  stems: Stem[]
}
const emptyNode = (): Node => ({ next: new Map(), stems: [] })

/** Where in a word a stem was found: from one run of letters to before another. */
export interface StemFound {
  stem: Stem
  from: number
  to: number
  isStretched: boolean
}

/** How the edges of words are held to: as the stem says, or not at all where it is long enough to be no accident. */
const freeLeast = 5
/** So many steps are taken in a word with letters left out. */
const gapStepsMost = 4000

/** Stems by their letters, for finding all of them in a word in time that is linear in it (times the longest stem). */
export class StemTrie {
  private readonly fromStart = emptyNode()
  private readonly anywhere = emptyNode()

  add(stem: Stem): void {
    let node = stem.startsWord ? this.fromStart : this.anywhere
    for (const letter of stem.runs.letters) {
      const next = node.next.get(letter) ?? emptyNode()
      node.next.set(letter, next)
      node = next
    }
    node.stems.push(stem)
  }

  /** @param isFree edges of words count for short stems alone: of letters told one by one nobody knows where words end */
  find(word: Runs, isFree = false): StemFound[] {
    const found: StemFound[] = []
    this.walk(this.fromStart, word, 0, isFree, found)
    for (let from = 0; from < word.letters.length; from++) {
      this.walk(this.anywhere, word, from, isFree, found)
      if (isFree && from > 0) this.walk(this.fromStart, word, from, isFree, found)
    }
    return found
  }

  private walk(root: Node, word: Runs, from: number, isFree: boolean, found: StemFound[]): void {
    let node: Node | undefined = root
    for (let at = from; at < word.letters.length && node; at++) {
      node = node.next.get(word.letters[at] ?? '')
      for (const stem of node?.stems ?? []) {
        const isLoose = isFree && stem.runs.counts.reduce((sum, count) => sum + count, 0) >= freeLeast
        if (stem.startsWord && from > 0 && !isLoose) continue
        if (stem.endsWord && at < word.letters.length - 1 && !isLoose) continue
        const fit = fitOf(stem.runs.counts, word, from, at)
        if (fit !== null) found.push({ stem, from, to: at + 1, isStretched: fit })
      }
    }
  }

  /**
   * Stems that a word with letters left out may be; each star stands for one letter, a row of them for as many or more.
   * @param letters with `*` for what is left out
   */
  findWithGaps(letters: readonly string[]): Stem[] {
    const found: Stem[] = []
    let steps = 0
    const step = (node: Node, at: number): void => {
      steps += 1
      if (steps > gapStepsMost) return
      if (at >= letters.length) {
        found.push(...node.stems)
        return
      }
      const letter = letters[at] ?? ''
      if (letter !== '*') {
        const next = node.next.get(letter)
        if (next) step(next, at + 1)
        // The stem has each letter once in a row: a double one stays where it is.
        if (letters[at - 1] === letter) step(node, at + 1)
        return
      }
      for (const next of node.next.values()) step(next, at + 1)
      if (at > 0) step(node, at + 1)
    }
    step(this.fromStart, 0)
    step(this.anywhere, 0)
    return found
  }
}

/** Whether letters stand as often as a stem needs: null where they do not, else whether one is stretched. */
function fitOf(needed: readonly number[], word: Runs, from: number, last: number): boolean | null {
  let isStretched = false
  for (let at = from; at <= last; at++) {
    const need = needed[at - from] ?? 0
    const have = word.counts[at] ?? 0
    if (have === need) continue
    // Inside of a word the neighbour may begin with the same letter.
    const isShared = (at === from && from > 0) || (at === last && last < word.letters.length - 1)
    if (have < (isShared ? need : Math.max(need, stretchedFrom))) return null
    if (!isShared) isStretched = true
  }
  return isStretched
}
