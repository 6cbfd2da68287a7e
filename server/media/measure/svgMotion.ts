import { tokenize, TokenType, type CSSToken } from '@csstools/css-tokenizer'
import { SaxesParser } from 'saxes'

/** How a drawing moves. */
export interface SvgMotion {
  /** How many things in it move, by SMIL and by CSS. */
  count: number
  /** After so long it has been through once: what ends has ended, what goes on for good is where it began. */
  roundMs: number
  /** Something in it goes on for good. */
  isEndless: boolean
}

/** One animation: it begins, and takes so long for each of its rounds. */
interface Moving {
  id: string
  begins: readonly string[]
  ms: number
  /** Infinity: for good. */
  rounds: number
}

const smil = new Set(['animate', 'animatetransform', 'animatemotion', 'set'])
const longestMs = 60_000
const shortestMs = 100
const localName = (name: string) => name.slice(name.indexOf(':') + 1).toLowerCase()

/** How an SVG moves that is well-formed; null where nothing in it does. Linear in its length, quadratic in what waits for another. */
export function motionOf(text: string): SvgMotion | null {
  const moving: Moving[] = []
  let css = ''
  let sheets = 0
  const parser = new SaxesParser()
  parser.on('opentag', ({ name, attributes }) => {
    const local = localName(name)
    if (local === 'style') sheets += 1
    if (attributes.style) css += `*{${String(attributes.style)}}`
    if (smil.has(local)) moving.push(smilOf(attributes as Record<string, string>))
  })
  parser.on('closetag', ({ name }) => void (localName(name) === 'style' && (sheets -= 1)))
  const sheetText = (text: string) => void (sheets > 0 && (css += text))
  parser.on('text', sheetText)
  parser.on('cdata', sheetText)
  parser.write(text).close()
  if (/@keyframes/i.test(css)) moving.push(...cssAnimations(css))
  return moving.length === 0 ? null : together(moving)
}

/** SMIL Animation § 3.2 and 3.3: what is not said is “at once” and “once”. What never says how long it takes does not move. */
function smilOf({ id = '', begin = '0s', dur = '', repeatCount = '', repeatDur = '' }: Record<string, string>): Moving {
  const ms = clockMs(dur) ?? 0
  const repeats = repeatCount === 'indefinite' || repeatDur === 'indefinite' ? Infinity : Number(repeatCount) || 1
  const repeatMs = clockMs(repeatDur)
  return {
    id,
    begins: begin.split(';').map((each) => each.trim()),
    ms,
    rounds: repeatMs !== null && ms > 0 ? repeatMs / ms : repeats,
  }
}

/** A clock value in milliseconds: `1.5s`, `200ms`, `2min`, `01:02.5`; null where it is none. */
export function clockMs(value: string): number | null {
  const clock = /^([+-]?)(?:(?:(\d+):)?([0-5]?\d):)?(\d+(?:\.\d+)?|\.\d+)(h|min|ms|s)?$/.exec(value.trim())
  if (!clock) return null
  const [, sign, hours = '0', minutes = '0', amount = '0', unit = 's'] = clock
  const factor = { h: 3_600_000, min: 60_000, s: 1000, ms: 1 }[unit] ?? 1000
  const ms = Number(hours) * 3_600_000 + Number(minutes) * 60_000 + Number(amount) * factor
  return sign === '-' ? -ms : ms
}

/** Of each list of animations in a style sheet, when it begins, how long it takes and how often. */
function cssAnimations(css: string): Moving[] {
  const found: Moving[] = []
  const tokens = tokenize({ css })
  for (let at = 0; at < tokens.length; at++) {
    const token = tokens[at]
    if (token?.[0] !== TokenType.Ident || !/^(?:-webkit-)?animation$/i.test(token[4].value)) continue
    const value = valueFrom(tokens, at + 1)
    if (!value) continue
    for (const one of splitAtCommas(value)) {
      const times = one.flatMap((each) => (each[0] === TokenType.Dimension ? [inMs(each[4].value, each[4].unit)] : []))
      const [ms = 0, delayMs = 0] = times
      const count = one.find((each) => each[0] === TokenType.Number)
      const isEndless = one.some((each) => each[0] === TokenType.Ident && each[4].value.toLowerCase() === 'infinite')
      const rounds = count?.[0] === TokenType.Number ? count[4].value : 1
      if (ms > 0) found.push({ id: '', begins: [`${delayMs}ms`], ms, rounds: isEndless ? Infinity : rounds })
    }
  }
  // Written out one by one: what they say together is not worked out, only how long the longest takes.
  if (found.length === 0) {
    const longest = Math.max(0, ...longhand(tokens, /^(?:-webkit-)?animation-duration$/i))
    if (longest > 0)
      found.push({
        id: '',
        begins: ['0s'],
        ms: longest,
        rounds: /animation-iteration-count\s*:[^;}]*infinite/i.test(css) ? Infinity : 1,
      })
  }
  return found
}

const inMs = (value: number, unit: string) => (unit.toLowerCase() === 's' ? value * 1000 : value)

function longhand(tokens: readonly CSSToken[], name: RegExp): number[] {
  return tokens.flatMap((token, at) =>
    token[0] === TokenType.Ident && name.test(token[4].value)
      ? (valueFrom(tokens, at + 1) ?? []).flatMap((each) =>
          each[0] === TokenType.Dimension ? [inMs(each[4].value, each[4].unit)] : [],
        )
      : [],
  )
}

/** The value of a declaration whose name was just read; null where it is none. */
function valueFrom(tokens: readonly CSSToken[], from: number): CSSToken[] | null {
  let at = from
  while (tokens[at]?.[0] === TokenType.Whitespace) at += 1
  if (tokens[at]?.[0] !== TokenType.Colon) return null
  const value: CSSToken[] = []
  for (at += 1; at < tokens.length; at++) {
    const token = tokens[at]
    if (!token || token[0] === TokenType.Semicolon || token[0] === TokenType.CloseCurly) break
    value.push(token)
  }
  return value
}

function splitAtCommas(tokens: readonly CSSToken[]): CSSToken[][] {
  const lists: CSSToken[][] = [[]]
  // What stands in brackets (an easing) holds numbers of its own.
  let depth = 0
  for (const token of tokens) {
    if (token[0] === TokenType.Function) depth += 1
    else if (token[0] === TokenType.CloseParen) depth -= 1
    else if (depth === 0 && token[0] === TokenType.Comma) lists.push([])
    else if (depth === 0) lists.at(-1)?.push(token)
  }
  return lists
}

/** When all of them are through, each begun when it is told to, some of them by others. */
function together(moving: readonly Moving[]): SvgMotion {
  const begunMs = new Map<Moving, number>()
  const endOf = (one: Moving, from: number) => from + one.ms * (Number.isFinite(one.rounds) ? one.rounds : 1)
  for (let pass = 0; pass < moving.length && begunMs.size < moving.length; pass++) {
    const before = begunMs.size
    for (const one of moving) {
      if (begunMs.has(one)) continue
      const moments = one.begins.flatMap((begin) => momentOf(begin, moving, begunMs, endOf))
      if (moments.length > 0) begunMs.set(one, Math.min(...moments))
    }
    if (begunMs.size === before) break
  }
  // What only a pointer sets off, or only itself, never begins.
  const begun = [...begunMs]
  const endless = begun.filter(([one]) => !Number.isFinite(one.rounds) && one.ms > 0)
  // One that begins another that begins it goes on for good, too.
  const isRound = begun.some(
    ([one]) => one.begins.length > 1 && one.begins.some((begin) => /\.(?:begin|end)/.test(begin)),
  )
  const ends = begun.map(([one, from]) => endOf(one, from))
  const settledMs = Math.max(0, ...ends)
  const period = endless.reduce((sum, [one]) => leastCommon(sum, Math.round(one.ms)), 1)
  const roundMs = endless.length > 0 && endless.length === begun.length && period <= longestMs ? period : settledMs
  return {
    count: moving.length,
    roundMs: Math.round(Math.min(longestMs, Math.max(shortestMs, roundMs))),
    isEndless: endless.length > 0 || isRound,
  }
}

function momentOf(
  begin: string,
  moving: readonly Moving[],
  begunMs: ReadonlyMap<Moving, number>,
  endOf: (one: Moving, from: number) => number,
): number[] {
  const clock = clockMs(begin)
  if (clock !== null) return [Math.max(0, clock)]
  const [, id, point, offset = '0'] = /^([\w-]+)\.(begin|end)\s*([+-].+)?$/.exec(begin) ?? []
  const other = moving.find((each) => id !== undefined && each.id === id)
  const from = other && begunMs.get(other)
  if (!other || from === undefined) return []
  return [(point === 'end' ? endOf(other, from) : from) + (clockMs(offset.replace(/\s+/g, '')) ?? 0)]
}

function leastCommon(a: number, b: number): number {
  const greatest = (x: number, y: number): number => (y === 0 ? x : greatest(y, x % y))
  return a > longestMs ? a : (a / greatest(a, b)) * b
}
