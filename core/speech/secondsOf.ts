const lettersPerSecond = 14
const figureSeconds = 0.38
const emojiSeconds = 0.9
/** A letter or a sign that is told by its name. */
const spelledSeconds = 0.34
const hanSeconds = 0.24

/** Signs that voices tell by their names. */
const toldSigns = /[&%@#*+=<>/\\~^|_$€£§°•…{}[\]]/gu

/** Words that a voice spells: of consonants alone, of letters and figures, Roman numerals. */
function isSpelled(word: string): boolean {
  if (/\p{Nd}/u.test(word)) return /\p{L}/u.test(word)
  if (/^[MDCLXVI]{3,}$/u.test(word)) return true
  return /^[\p{Script=Latin}\p{M}]{2,}$/u.test(word) && !/[aeiouyæøœ]/iu.test(word.normalize('NFD'))
}

/**
 * How long a voice will take for a text: an estimate by its letters, before the voice itself is measured. Figures,
 * signs and letters that are told one by one count as long as their names.
 */
export function secondsOf(text: string): number {
  let seconds = 0
  for (const word of text.split(/\s+/u)) {
    const letters = [...word].length
    const figures = word.match(/\p{Nd}/gu)?.length ?? 0
    const emoji = word.match(/\p{Extended_Pictographic}/gu)?.length ?? 0
    const han = word.match(/\p{Script=Han}/gu)?.length ?? 0
    const signs = word.match(toldSigns)?.length ?? 0
    const spelled = isSpelled(word.replace(/[^\p{L}\p{M}\p{N}]/gu, '')) ? letters - figures - signs : 0
    seconds +=
      figures * figureSeconds +
      emoji * emojiSeconds +
      han * hanSeconds +
      signs * spelledSeconds +
      spelled * spelledSeconds +
      Math.max(0, word.length - figures - han - signs - spelled) / lettersPerSecond
  }
  return seconds + Math.max(0, text.split(/\s/u).length - 1) / lettersPerSecond
}
