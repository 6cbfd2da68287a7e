import { isCounting, isNumberWord } from './numberWords.ts'

const longNumber = 'a very long number'

const figuresIn = (text: string) => text.match(/\p{Nd}/gu)?.length ?? 0

/** Days and times: 24/12/2026, 2026-12-24, 3.5.26, 19:30, 3:58:21. */
const date = String.raw`(?:\d{4}\s?[-–/]\s?\d{4}|\d{1,2}[./-]\d{1,2}(?:[./-]\d{2}|[./ -]\d{4})|\d{4}[./ -]\d{1,2}[./ -]\d{1,2})`
const time = String.raw`\d{1,2}[:.h]\d{2}(?::\d{2})?`
/** Results of games, one or several sets of them: 3-2, 21:17. */
const score = String.raw`\d{1,3}\s?[-–:]\s?\d{1,3}`
const figures = new RegExp(
  String.raw`^(?:${date}(?:[ ,]{1,2}${time})?|${time}(?:\s?[-–]\s?${time})?|(?:${score})(?:[ ,;]{1,2}(?:${score})){0,6})$`,
  'u',
)
/** Amounts: 1,250,000 · 1.299,90 · 12 500 · 1’299.90; up to nine figures before the decimals. */
const grouped = /^\d{1,3}(?:([.,'’])\d{3}){1,2}(?:[.,]\d{1,2})?$|^\d{1,3}[ \u00A0\u202F]\d{3}(?:[.,]\d{1,2})?$/u
const decimals = /^\d{1,6}[.,]\d{1,6}$/u

/** Figures with what people put between them: 12 345 678, 1.000.000, +49 (89) 123-456. */
const figureRun = /[\p{Nd}](?:[ \u00A0\u202F.,:;_'’()/–-]{0,2}[\p{Nd}])*/gu

/** Whether figures are a day, a time, a result or an amount: what people say, however many they are. */
function isSaid(run: string, before: string): boolean {
  if (figures.test(run)) return true
  return (grouped.test(run) || decimals.test(run)) && !/[+(]\s?$/u.test(before)
}

/** Several of these after another, each for itself: “see you 19:30, 24/12/2026”. */
function areSaid(run: string, before: string): boolean {
  if (isSaid(run, before)) return true
  const parts = run.split(/[ ,;]{1,2}(?=\p{Nd})/u)
  // “Nov 5 00:53:20 1985”: a day and a year stand beside a time.
  const said = parts.map((part) => (/\p{P}/u.test(part) && isSaid(part, before)) || null)
  return (
    parts.length > 1 &&
    parts.length <= 3 &&
    said.includes(true) &&
    parts.every((part, index) => said[index] ?? /^\d{1,4}$/u.test(part))
  )
}

/** A word of letters and figures in turns is told figure by figure: 8h3k9d2j. */
function isCode(word: string, most: number): boolean {
  const turns = word.match(/\p{L}+|\p{Nd}+/gu) ?? []
  return turns.length > 4 && word.length > most && figuresIn(word) > 3 && figuresIn(word) * 3 > word.length
}

const roman = /(?<![\p{L}\p{N}])[MDCLXVI]{2,}(?![\p{L}\p{N}])(?:[\s,.-]{1,2}[MDCLXVI]{2,}(?![\p{L}\p{N}]))*/gu
const hanNumber = /[〇零一二三四五六七八九十百千万億亿兆壹贰叁肆伍陆柒捌玖拾佰仟萬]{2,}/gu
/** Entities of a page’s source: a voice tells each sign of them. */
const entities = /(?:&#?[\p{L}\p{N}]{1,10};\s{0,2}){3,}/gu

/** Words, with what stands between numbers that are told one after another. */
const numberToken = /[\p{L}\p{M}]+|\p{Nd}+/gu
const between = /^[\s,.;:/+()–-]{0,4}$/u
const joinWords = new Set(['and', 'und', 'et', 'y', 'e', 'och', 'oh', 'o', 'i', 'и', 'plus', 'minus'])

interface TellingRun {
  from: number
  to: number
  count: number
  /** How many of its words follow the one before as people count. */
  counting: number
  words: number
  last: string
}

/** Numbers told in words, or in words and figures: places of runs that are too long. Counting is not a number. */
function toldNumbers(text: string, most: number): [from: number, to: number][] {
  const runs: [number, number][] = []
  let run: TellingRun | null = null
  const end = (done: TellingRun | null) => {
    if (done && done.count > most && done.words > 1 && done.counting < done.count - 2) runs.push([done.from, done.to])
    return null
  }
  let lastEnd = 0
  for (const { 0: token, index } of text.matchAll(numberToken)) {
    const small = token.toLowerCase()
    const isFigures = /^\p{Nd}/u.test(token)
    const isNumber = isFigures || isNumberWord(small)
    if (run && !between.test(text.slice(lastEnd, index))) run = end(run)
    if (isNumber) {
      const worth = isFigures ? token.length : 1
      run ??= { from: index, to: index, count: 0, counting: 0, words: 0, last: '' }
      run.to = index + token.length
      run.count += worth
      run.counting += isCounting(run.last, small) ? 1 : 0
      run.words += isFigures ? 0 : 1
      run.last = small
    } else if (run && !joinWords.has(small)) run = end(run)
    lastEnd = index + token.length
  }
  end(run)
  return runs
}

function easeTold(text: string, most: number): string {
  let left = ''
  let at = 0
  for (const [from, to] of toldNumbers(text, most)) {
    left += text.slice(at, from) + longNumber
    at = to
  }
  return left + text.slice(at)
}

/**
 * Numbers of more figures than `most` as “a very long number”: in figures of any script, in words, as Roman or Chinese
 * numerals, as codes of letters and figures. Days, times, results and amounts are none. Linear.
 */
export function easeNumbers(text: string, most: number): string {
  const eased = text
    .replace(entities, ' ')
    .replace(/[^\s]+/gu, (word) => (isCode(word, most) ? longNumber : word))
    .replace(figureRun, (run, offset: number) =>
      figuresIn(run) > most && !areSaid(run, text.slice(Math.max(0, offset - 2), offset)) ? longNumber : run,
    )
    .replace(hanNumber, (run) => ([...run].length > most ? longNumber : run))
    .replace(roman, (run) => (run.replace(/[^MDCLXVI]/gu, '').length > Math.max(most, 8) ? longNumber : run))
  return easeTold(eased, most)
}
