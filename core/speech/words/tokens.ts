import { meaningsOf, plainWord, type Meaning } from './foldWord.ts'

/** A word of a text, with every way in which it can be meant. */
export interface Token {
  /** From one letter to before another; UTF-16 units. */
  at: number
  end: number
  /** As it was written, in small letters with their marks. */
  small: string
  /** Begins with a capital and is not written in capitals: the way names are. */
  isCapitalised: boolean
  isLetter: boolean
  meanings: readonly Meaning[]
  /** Its letters where some are left out: sh*t; null where none are. */
  gaps: readonly string[] | null
}

/** Letters with the figures and signs among them that may stand for letters, or for letters left out. */
const tokenPattern = /[\p{L}\p{N}][\p{L}\p{M}\p{N}@$!|€+'’*#]*|[@$][\p{L}\p{M}\p{N}@$!|€+'’*#]+/gu
/** What French and Italian leave off before a vowel: “d’attardé” is that word too. */
const elided = /^(?:[cdjlmnst]|qu|all|dell|dall|nell|un)['’](?=\p{L}{2})/iu
/** What ends a sentence ends no word. */
const atTheEnd = "!+'’|#"

export function tokensOf(text: string): Token[] {
  return [...text.matchAll(tokenPattern)].map(({ 0: token, index }) => {
    // Between stars a word is stressed: none of its letters is left out.
    const ends = text[index - 1] === '*' ? `${atTheEnd}*` : atTheEnd
    let to = token.length
    while (to > 1 && ends.includes(token[to - 1] ?? '')) to -= 1
    // “Who’re” is who, and no other word.
    const bare = token.slice(0, to).replace(/(?<=\p{L})['’](?:s|re|d|ll|ve|m|t)$/iu, '')
    return {
      at: index,
      end: index + bare.length,
      small: bare.normalize('NFC').toLowerCase(),
      isCapitalised: /^\p{Lu}[^\p{Lu}]*\p{Ll}/u.test(bare),
      isLetter: [...bare].length === 1,
      meanings: [...new Set([bare, bare.replace(elided, '')])].flatMap((each) => meaningsOf(each.replace(/[*#]/g, ''))),
      gaps: /[*#]/.test(bare) ? [...plainWord(bare).replaceAll('#', '*')] : null,
    }
  })
}
