/** Controls, formats, private letters and halves of letters: no voice says them. */
const unseen = /[\p{Cc}\p{Cf}\p{Co}\p{Cs}]/gu
/** Marks that enclose a letter; the one that makes a key of an emoji stays. */
const enclosing = /(?!\u20E3)\p{Me}/gu
/** Letters that are drawn as nothing. */
const fillers = /\u034F|\u115F|\u1160|\u17B4|\u17B5|\u180B|\u180C|\u180D|\u3164|\uFFA0/gu
const joiner = '\u200D'
const nonJoiner = '\u200C'

/** Which unseen letters mean something: ends of lines and tabs, joiners, and what keeps letters apart in Persian. */
const isMeant = (letter: string, before: string, after: string) =>
  letter === '\n' ||
  letter === '\r' ||
  letter === '\t' ||
  letter === joiner ||
  (letter === nonJoiner && /\p{Script=Arabic}/u.test(before) && /\p{Script=Arabic}/u.test(after))

/**
 * Letters and figures drawn in other clothes: full width, mathematical, in circles and squares. Signs of full width are
 * how Chinese and Japanese are written.
 */
const dressed =
  /[\uFF10-\uFF19\uFF21-\uFF3A\uFF41-\uFF5A\u{1D400}-\u{1D7FF}\u2460-\u24FF\u{1F110}-\u{1F169}\u{1F170}-\u{1F189}\u2100-\u214F]/gu
/** More marks on one letter than any language writes. */
const piledMarks = /(\p{M}{2})\p{M}+/gu
/** A joiner that joins no emoji. */
const looseJoiner = /(?<!\p{Extended_Pictographic}\uFE0F?)\u200D|\u200D(?!\p{Extended_Pictographic})/gu

const twins: Record<string, string> = {
  а: 'a',
  е: 'e',
  о: 'o',
  р: 'p',
  с: 'c',
  у: 'y',
  х: 'x',
  і: 'i',
  ј: 'j',
  ѕ: 's',
  ԁ: 'd',
  һ: 'h',
  к: 'k',
  м: 'm',
  т: 't',
  в: 'b',
  н: 'h',
  г: 'r',
  п: 'n',
  и: 'u',
  ь: 'b',
  А: 'A',
  В: 'B',
  Е: 'E',
  К: 'K',
  М: 'M',
  Н: 'H',
  О: 'O',
  Р: 'P',
  С: 'C',
  Т: 'T',
  У: 'Y',
  Х: 'X',
  І: 'I',
  Ј: 'J',
  Ѕ: 'S',
  α: 'a',
  ε: 'e',
  ι: 'i',
  κ: 'k',
  ν: 'v',
  ο: 'o',
  ρ: 'p',
  τ: 't',
  υ: 'u',
  χ: 'x',
  Α: 'A',
  Β: 'B',
  Ε: 'E',
  Η: 'H',
  Ι: 'I',
  Κ: 'K',
  Μ: 'M',
  Ν: 'N',
  Ο: 'O',
  Ρ: 'P',
  Τ: 'T',
  Υ: 'Y',
  Χ: 'X',
  ı: 'i',
  ɑ: 'a',
  ɡ: 'g',
  ʏ: 'y',
  ꜱ: 's',
  ᴀ: 'a',
  ʙ: 'b',
  ᴄ: 'c',
  ᴅ: 'd',
  ᴇ: 'e',
  ꜰ: 'f',
  ɢ: 'g',
  ʜ: 'h',
  ɪ: 'i',
  ᴊ: 'j',
  ᴋ: 'k',
  ʟ: 'l',
  ᴍ: 'm',
  ɴ: 'n',
  ᴏ: 'o',
  ᴘ: 'p',
  ʀ: 'r',
  ᴛ: 't',
  ᴜ: 'u',
  ᴠ: 'v',
  ᴡ: 'w',
  ᴢ: 'z',
}

const latin = /\p{Script=Latin}/u
const others = /[\p{Script=Cyrillic}\p{Script=Greek}]/u
/** Letters of ours that look like Cyrillic ones, as these. */
const cyrillicTwins = new Map(
  Object.entries(twins).flatMap(([letter, twin]) => (/\p{Script=Cyrillic}/u.test(letter) ? [[twin, letter]] : [])),
)

/** Small capitals and other letters of our script that look like plain ones, as these. */
export const plainLatin = (word: string): string => word.replace(/[ıɑ-ʟᴀ-ᵥꜰꜱ]/gu, (letter) => twins[letter] ?? letter)

function wordInOneScript(word: string, isAmongCyrillic: boolean): string {
  if (!latin.test(word) || !others.test(word)) return word
  const letters = [...word]
  // A word whose other letters do not all look like ours is meant in their script.
  const isCyrillic = letters.some((letter) => /\p{Script=Cyrillic}/u.test(letter) && !(letter in twins))
  return letters
    .map((letter) =>
      isAmongCyrillic || isCyrillic ? (cyrillicTwins.get(letter) ?? letter) : (twins[letter] ?? letter),
    )
    .join('')
}

/** Words that mix scripts by look-alikes are written in one; words of one script stay as they are. */
export function inOneScript(text: string): string {
  const isAmongCyrillic = /(?<![\p{L}\p{M}])\p{Script=Cyrillic}{3,}(?![\p{L}\p{M}])/u.test(text)
  return text.replace(/[\p{L}\p{M}\p{N}]+/gu, (word) => wordInOneScript(word, isAmongCyrillic))
}

/**
 * A message as it is meant to be seen: without what nobody sees, letters undressed, words in one script. Ordinary text
 * in any language stays byte for byte. Linear.
 */
export function visibleText(text: string): string {
  return inOneScript(
    text
      .replace(unseen, (letter, at: number, whole: string) =>
        isMeant(letter, whole[at - 1] ?? '', whole[at + 1] ?? '') ? letter : '',
      )
      .replace(fillers, '')
      .replace(enclosing, '')
      .replace(looseJoiner, '')
      .replace(dressed, (letter) => letter.normalize('NFKC'))
      .replace(piledMarks, '$1'),
  )
}
