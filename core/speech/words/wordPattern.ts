/** One word of a phrase: a stem, and whether other letters may stand before and behind it. */
export interface WordPattern {
  stem: string
  startsWord: boolean
  endsWord: boolean
  /** Only where it begins with a capital, as names do. */
  isName: boolean
}

/** What one word of a phrase may be: any of some patterns, any word at all, or any that is written like a name. */
export type PhraseWord = { anyOf: readonly WordPattern[] } | 'anyWord' | 'name'

/** When an entry holds: in every text, in sentences of its own language, in these and only where a channel is strict. */
export type EntryStrength = 'everywhere' | 'inLanguage' | 'strict'

/** A line of a word list, ready to be looked for. */
export interface WordEntry {
  /** Words one after another; those that may be missing were multiplied out. */
  words: readonly PhraseWord[]
  /** Not one after another, but close to each other in one sentence, in any order. */
  isNear?: boolean
  /**
   * Fine where it stands, as it is written or however it is meant: what lies inside of it is not blocked. Null: blocked.
   */
  fine: 'asWritten' | 'folded' | null
  strength: EntryStrength
  /** The language whose list it is in, BCP 47's first part; null: of no language. */
  language: string | null
}

const expansionsMost = 400

/** Parts of a text between bars that stand outside of brackets. */
function barred(text: string): string[] {
  const parts = ['']
  let depth = 0
  for (const letter of text) {
    if (letter === '(') depth += 1
    if (letter === ')') depth -= 1
    if (letter === '|' && depth === 0) parts.push('')
    else parts[parts.length - 1] += letter
  }
  return parts
}

/** `(a|b)c` as ac and bc. */
function multiplied(text: string): string[] {
  const open = text.lastIndexOf('(')
  const close = open < 0 ? -1 : text.indexOf(')', open)
  if (close < 0) return [text]
  return text
    .slice(open + 1, close)
    .split('|')
    .flatMap((choice) => multiplied(text.slice(0, open) + choice + text.slice(close + 1)))
}

function patternsOf(written: string, endings: readonly string[], isFine: boolean): WordPattern[] {
  return barred(written)
    .flatMap(multiplied)
    .flatMap((each) => {
      const isName = isFine && /^\p{Lu}\p{Ll}/u.test(each)
      const startsWord = !each.startsWith('*')
      const endsWord = !each.endsWith('*')
      const stem = each.replace(/^\*|\*$/g, '')
      return stem.endsWith('+')
        ? ['', ...endings].map((ending) => ({ stem: stem.slice(0, -1) + ending, startsWord, endsWord, isName }))
        : [{ stem, startsWord, endsWord, isName }]
    })
}

/** Every way to leave out words that may be missing. */
function withoutOptional(words: readonly string[]): string[][] {
  const [first, ...rest] = words
  if (first === undefined) return [[]]
  const tails = withoutOptional(rest)
  if (!first.endsWith('?')) return tails.map((tail) => [first, ...tail])
  return tails.flatMap((tail) => [[first.slice(0, -1), ...tail], tail])
}

/**
 * Reads a word list. A line is a phrase of one or more words. `|` stands between alternatives, `(a|b)` between endings,
 * `*` before or behind a stem for any other letters, `+` behind it for the language's usual endings, `?` behind a word
 * that may be missing, `_` for any word, `^` for one that is written like a name, ` / ` between phrases, ` & ` between
 * words that stand close to each other in one sentence, in any order. A line `%name = a|b` gives alternatives a name.
 * Before a line `!` says that it is fine, `~` that it holds only in sentences of the list's language, `?` that it holds
 * only there and only where a channel is strict; what follows `#` is a remark. What is fine and begins with a capital is
 * fine as a name alone.
 * @param endings what `+` stands for
 * @throws {Error} where a line multiplies out to more than four hundred phrases
 */
export function readWordList(list: string, language: string | null, endings: readonly string[] = []): WordEntry[] {
  const macros = new Map<string, string>()
  // Groups of people and the like stand in many lines: read once, so that they are one thing.
  const known = new Map<string, PhraseWord>()
  const wordOf = (written: string, isFine: boolean): PhraseWord => {
    if (written === '_') return 'anyWord'
    if (written === '^') return 'name'
    const key = `${isFine ? '!' : ''}${written}`
    const word = known.get(key) ?? { anyOf: patternsOf(written, endings, isFine) }
    known.set(key, word)
    return word
  }
  return list.split('\n').flatMap((line) => {
    const written = line.replace(/(^|\s)#.*$/u, '').trim()
    if (written === '') return []
    const macro = /^%(\w+)\s*=\s*(.*)$/u.exec(written)
    if (macro) {
      macros.set(macro[1] ?? '', macro[2] ?? '')
      return []
    }
    const [, marks = '', rest = ''] = /^([!~?]*)(.*)$/u.exec(written) ?? []
    const isFine = marks.includes('!')
    // What is an everyday word in one language may be none in another; English is said everywhere.
    const isLocal = marks.includes('~') || (isFine && language !== 'en' && language !== null)
    const strength = isLocal ? 'inLanguage' : 'everywhere'
    const said = rest.replace(/%(\w+)/gu, (_name, name: string) => macros.get(name) ?? '')
    const isNear = said.includes(' & ')
    const phrases = said
      .replaceAll(' & ', ' ')
      .split(' / ')
      .flatMap((phrase) => withoutOptional(phrase.trim().split(/\s+/u)))
      .filter((words) => words.length > 0 && words[0] !== '')
    if (phrases.length > expansionsMost) throw new Error(`This line of a word list says too much: ${written}`)
    return phrases.map((words) => ({
      words: words.map((word) => wordOf(word, isFine)),
      ...(isNear ? { isNear } : {}),
      fine: isFine ? 'asWritten' : null,
      strength: marks.includes('?') ? 'strict' : strength,
      language,
    }))
  })
}

/** An entry of a plain list or of a channel's own: just these words. */
export function plainEntry(
  words: string,
  language: string | null,
  strength: EntryStrength,
  fine: WordEntry['fine'] = null,
): WordEntry | null {
  const parts = words.split(/[^\p{L}\p{M}\p{N}]+/u).filter((part) => part !== '')
  if (parts.length === 0) return null
  return {
    words: parts.map((stem) => ({ anyOf: [{ stem, startsWord: true, endsWord: true, isName: false }] })),
    fine,
    strength,
    language,
  }
}
