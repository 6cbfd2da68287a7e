import topLevelDomains from 'tlds' with { type: 'json' }
import { languagesOfSmallWord } from './words/functionWords.ts'

/** Ends of addresses as they are said in Cyrillic. */
const saidEndings = ['ру', 'рф', 'ком', 'нет', 'орг', 'юа', 'инфо']
const endings = new Set([...topLevelDomains, ...saidEndings, 'example', 'onion'])

/** Ends that are also common words: with blanks around the full stop they are just that. */
const everydayEndings = new Set(
  'academy actor art auto baby band bar beer best bible bio black blue boo boutique box build buzz cafe cam camera camp car care cars cash cat center chat cheap church city coach coffee cool dad date day deal delivery dog domains download earth eat esq events express fail faith family fan farm fast fish fit fly foo food football forum free fun fyi game games gift gifts glass global gold golf green guide guru hair health help here hiphop horse host hot house how ice ink international jobs joy kids kim kitchen land life like live living lol love makeup man map market mba med media men moe mom money monster mov movie music name navy network new news ninja now observer one open page party pay pet phone photo photos pics pictures pid pink pizza place play plus porn post press prime pro productions quest radio read red rent rest review rip rocks room run safe sale save science search secure select services show silk singles skin soccer social song sport spot star storage store stream study style sucks surf talk tattoo taxi team tech tips today tools top tours town toys trade training travel tube university vet video voyage vote watch weather win wine work works world wow yes you zero zip zone'.split(
    ' ',
  ),
)

/** Full stops of other scripts, and what stands for one. */
const otherStops = /[\u3002\uFF0E\uFF61\u2024\u2027\u00B7\u2022\u2219\u2E33\u30FB]/gu

const isScheme = (word: string) =>
  /^(?:[a-z][a-z0-9+.-]{1,12}:)?\/\/[\p{L}\p{N}[-]+/iu.test(word) ||
  /^(?:https?|hxxps?|ftp):/iu.test(word) ||
  /^www\d?[.,]/iu.test(word)
const isMail = (word: string) => /^[^\s@]{1,64}@[\p{L}\p{N}-]+\.[\p{L}\p{N}.-]{2,}$/u.test(word)
const isNumbers = (word: string) =>
  (/^\d{1,3}(?:\.\d{1,3}){3}(?=$|[/:])/u.test(word) && /\d{3}|[/:]/u.test(word)) ||
  /^\[?(?:[0-9a-f]{0,4}:){3,7}[0-9a-f]{1,4}\]?(?=$|[/:])/iu.test(word)

/** Name, full stop, end: crumbs.shop, loaves.co.uk/deal. The end may not be a small word that a sentence begins with. */
function isNamed(word: string): boolean {
  const [host = '', path] = word.split(/[/?#:]/u, 2)
  const labels = host.split('.')
  const [end = '', name = ''] = [labels.at(-1)?.toLowerCase() ?? '', labels.at(-2) ?? '']
  if (labels.length < 2 || labels.some((label) => !/^[\p{L}\p{N}_-]+$/u.test(label))) return false
  if (!endings.has(end) || !/\p{L}/u.test(host)) return false
  // “e.g.”, “p.m”: abbreviations; “3.5kg”.
  if ([...name].length < 2 && path === undefined && labels.length < 3) return false
  if (/^\d+$/u.test(name) && path === undefined) return false
  // “Hello.So”, “done.It is”: a blank was left out.
  if (/^\p{Lu}\p{Ll}/u.test(labels.at(-1) ?? '') && path === undefined) return false
  return path !== undefined || !languagesOfSmallWord(end).includes('en') || end === 'me'
}

/** Words with the spaces between them: what is joined again is what it was. */
export const pieces = (text: string) => text.split(/(\s+)/u)

/**
 * A word without the brackets and stops around it. Letter by letter: an expression for the end would try every place of
 * a long word.
 */
function bareWord(word: string): string {
  let [from, to] = [0, word.length]
  while (from < to && '("\'<[{'.includes(word[from] ?? '')) from += 1
  while (to > from && ')"\'>]}.,!?;:'.includes(word[to - 1] ?? '')) to -= 1
  return word.slice(from, to)
}

const isAddress = (word: string) => isScheme(word) || isMail(word) || isNumbers(word) || isNamed(word)

/** How a full stop is said, and the languages in which it is. */
const saidStops: Record<string, readonly string[]> = {
  dot: ['en'],
  d0t: ['en'],
  punkt: ['de'],
  punto: ['es', 'it'],
  point: ['fr'],
  ponto: ['pt'],
  kropka: ['pl'],
  точка: ['ru'],
  piste: ['fi'],
  nokta: ['tr'],
}
const stopWords = 'dot|d0t|punkt|punto|point|ponto|kropka|точка|piste|nokta'
const stopWith = (word: string) =>
  String.raw`(?:[([{<*_~-]{0,2}\s{0,2}(?<!\p{L})${word}(?!\p{L})\s{0,2}[)\]}>*_~-]{0,2}|[([{<]\s{0,2}[.,]\s{0,2}[)\]}>])`
const stop = stopWith(`(?:${stopWords})`)
const name = String.raw`[\p{L}\p{N}_-]{1,40}`
const slash = String.raw`(?:slash|schrägstrich|barra|barre|ukośnik|слэш|слеш|snedstreck|forward\s+slash)`
const at = String.raw`(?:[([{<]?\s{0,2}(?:at|arroba|arobase|małpa|malpa|собака|snabel-a|ät|klammeraffe)\s{0,2}[)\]}>]?|@)`
const saidAddress = new RegExp(
  String.raw`(?<![\p{L}\p{N}])(?:${name}\s{0,2}${at}\s{0,2})?(${name})\s{0,2}${stopWith(`(${stopWords})`)}\s{0,2}(${name}(?:\s{0,2}${stop}\s{0,2}${name})*)(?![\p{L}\p{N}])((?:\s+${slash}\s+${name}|/\S+){0,4})`,
  'giu',
)
/** “crumbs . shop”, “crumbs .shop” and “crumbs. shop/deal”. */
const spacedAddress =
  /(?<![\p{L}\p{N}.])([\p{L}\p{N}_-]{2,40})(?:\s{1,2}\.\s{0,2}|\.\s{1,2})([\p{L}]{2,12})(?![\p{L}\p{N}])(\/\S*)?/giu
/** h t t p s : / / */
const spelledScheme =
  /(?<![\p{L}\p{N}])h\W{0,3}[tx]\W{0,3}[tx]\W{0,3}p\W{0,3}s?\W{0,3}:?\s{0,2}[/\\]\s{0,2}[/\\]\s{0,2}\S*/giu
/** www crumbs shop, w w w crumbs c o m */
const saidWeb =
  /(?<![\p{L}\p{N}])(?:w\W{0,2}w\W{0,2}w|double u double u double u)[\s.]{1,3}[\p{L}\p{N}_-]{3,40}[\s.]{1,3}(?:dot\s+)?(\p{L}{2,12}|\p{L}(?:\s\p{L}){1,5})(?!\p{L})/giu
/** 192 dot 168 dot 1 dot 1 */
const saidNumbers = new RegExp(String.raw`\d{1,3}(?:\s{0,2}(?:${stop}|\s\.\s)\s{0,2}\d{1,3}){3}`, 'giu')

function easeSaid(whole: string, before: string, stopWord: string | undefined, rest: string, path: string): string {
  const end = rest.split(/\s+/u).at(-1)?.toLowerCase() ?? ''
  if (!endings.has(end) && path === '') return whole
  if (!/\p{L}/u.test(end)) return whole
  if (stopWord === undefined || path !== '') return 'link'
  const languages = saidStops[stopWord.toLowerCase()] ?? []
  const isSmall = (word: string) =>
    languagesOfSmallWord(word.toLowerCase()).some((each) => each === 'en' || languages.includes(each))
  // “Bon point de départ”, “no ponto com a crosta”, “polka dot baby”: words of a sentence.
  if (isSmall(before) || (isSmall(end) && end !== 'com')) return whole
  return everydayEndings.has(end) && ['polka', 'red', 'blue', 'white', 'green', 'black'].includes(before.toLowerCase())
    ? whole
    : 'link'
}

function easeSpaced(
  whole: string,
  before: string,
  end: string,
  path: string | undefined,
  offset: number,
  text: string,
) {
  const small = end.toLowerCase()
  if (!endings.has(small)) return whole
  if (path !== undefined) return 'link'
  // A blank before the stop is no sentence's end; one behind it mostly is.
  const isBefore = /^\S+\s/u.test(text.slice(offset, offset + before.length + 1))
  const isWord = languagesOfSmallWord(small).length > 0 || everydayEndings.has(small)
  return isBefore && (!isWord || small === 'com') && languagesOfSmallWord(before.toLowerCase()).length === 0
    ? 'link'
    : whole
}

/**
 * Addresses of the net as the word “link”: written, with other full stops or blanks, in brackets, as numbers, or told in
 * words (“crumbs dot shop slash deal”). Linear.
 */
export function easeAddresses(text: string): string {
  return pieces(text.replace(spelledScheme, 'link').replace(saidNumbers, 'link'))
    .map((word) => (isAddress(bareWord(word.replace(otherStops, '.'))) ? 'link' : word))
    .join('')
    .replace(saidAddress, easeSaid)
    .replace(saidWeb, (whole, end: string) => (endings.has(end.toLowerCase().replace(/\s/gu, '')) ? 'link' : whole))
    .replace(
      spacedAddress,
      (whole, before: string, end: string, path: string | undefined, offset: number, all: string) =>
        easeSpaced(whole, before, end, path, offset, all),
    )
}
