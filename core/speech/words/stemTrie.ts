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

/** Where in a word a stem was found: from one run of letters to before another. */
export interface StemFound {
  stem: Stem
  from: number
  to: number
  isStretched: boolean
}

/** Whether words begin and end where the stem says: stems of `freeLeast` letters and more may be freed of either. */
export type WordEdges = 'kept' | 'endFree' | 'free'
/** So many letters are no accident wherever they stand. */
const freeLeast = 5
/** A shorter stem, with letters of it left out, is the beginning of too many words. */
const gapStemLeast = 4
/** So many steps are taken in a word with letters left out. */
const gapStepsMost = 4000

const root = { fromStart: 0, anywhere: 1 }
/** Beyond any letter’s number: a step is known by its node and its letter. */
const lettersMost = 0x20_0000

/**
 * Stems by their letters, for finding all of them in a word in time that is linear in it (times the longest stem).
 * Nodes are numbers and their steps one map: there are a hundred thousand of them.
 */
export class StemTrie {
  private readonly steps = new Map<number, number>()
  private readonly stems = new Map<number, Stem[]>()
  private nodes = Object.keys(root).length
  /** The steps from each node; made when a word with letters left out is first looked for. */
  private branches: Map<number, number[]> | null = null

  add(stem: Stem): void {
    let node = stem.startsWord ? root.fromStart : root.anywhere
    for (const letter of stem.runs.letters) {
      const step = stepOf(node, letter)
      const next = this.steps.get(step)
      node = next ?? this.nodes++
      if (next === undefined) this.steps.set(step, node)
    }
    const here = this.stems.get(node)
    if (here) here.push(stem)
    else this.stems.set(node, [stem])
    this.branches = null
  }

  /** @param edges free where nobody knows where words end: among letters told one by one */
  find(word: Runs, edges: WordEdges = 'kept'): StemFound[] {
    const found: StemFound[] = []
    this.walk(root.fromStart, word, 0, edges, found)
    for (let from = 0; from < word.letters.length; from++) {
      this.walk(root.anywhere, word, from, edges, found)
      if (edges === 'free' && from > 0) this.walk(root.fromStart, word, from, edges, found)
    }
    return found
  }

  /** Stems of whole words that begin at a place of a word, wherever they end: what is run together has no edges. */
  beginningAt(word: Runs, from: number): StemFound[] {
    const found: StemFound[] = []
    this.walk(root.fromStart, word, from, 'runTogether', found)
    return found
  }

  private walk(start: number, word: Runs, from: number, edges: WordEdges | 'runTogether', found: StemFound[]): void {
    let node: number | undefined = start
    for (let at = from; at < word.letters.length; at++) {
      node = this.steps.get(stepOf(node, word.letters[at] ?? ''))
      if (node === undefined) return
      for (const stem of this.stems.get(node) ?? []) {
        const isLong = stem.runs.counts.reduce((sum, count) => sum + count, 0) >= freeLeast
        const isFree = edges === 'runTogether' || (edges === 'free' && isLong)
        const endsFree = isFree || (edges === 'endFree' && isLong)
        if (stem.startsWord && from > 0 && !isFree) continue
        if (stem.endsWord && at < word.letters.length - 1 && !endsFree) continue
        const fit = fitOf(stem.runs.counts, word, from, at)
        if (fit !== null) found.push({ stem, from, to: at + 1, isStretched: fit })
      }
    }
  }

  /**
   * Stems that a word with letters left out may be; each star stands for one letter.
   * @param letters with `*` for what is left out
   */
  findWithGaps(letters: readonly string[]): Stem[] {
    const branches = this.branchesOf()
    const found: Stem[] = []
    let tries = 0
    const walk = (node: number, at: number): void => {
      tries += 1
      if (tries > gapStepsMost) return
      const here = this.stems.get(node) ?? []
      if (at >= letters.length) {
        found.push(...here)
        return
      }
      // Behind the stem of a word of any ending, more may follow.
      for (const stem of here) if (!stem.endsWord && stem.runs.letters.length >= gapStemLeast) found.push(stem)
      const letter = letters[at] ?? ''
      if (letter === '*') for (const next of branches.get(node) ?? []) walk(next, at + 1)
      else {
        const next = this.steps.get(stepOf(node, letter))
        if (next !== undefined) walk(next, at + 1)
      }
      // The stem has each letter once in a row: a double one stays where it is.
      if (at > 0 && (letter === '*' || letters[at - 1] === letter)) walk(node, at + 1)
    }
    walk(root.fromStart, 0)
    walk(root.anywhere, 0)
    return found
  }

  private branchesOf(): Map<number, number[]> {
    if (this.branches) return this.branches
    const branches = new Map<number, number[]>()
    for (const [step, next] of this.steps) {
      const node = Math.floor(step / lettersMost)
      const here = branches.get(node)
      if (here) here.push(next)
      else branches.set(node, [next])
    }
    this.branches = branches
    return branches
  }
}

const stepOf = (node: number, letter: string) => node * lettersMost + (letter.codePointAt(0) ?? 0)

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
