import { tokenize, TokenType, type CSSToken } from '@csstools/css-tokenizer'
import type { CodeProblem } from './codeProblem.ts'

export interface ReadStyle {
  css: string
  problems: CodeProblem[]
}

/** Rules that load something, or that are of no use in a style sheet that is by itself. */
const leftOutRules = new Set(['import', 'font-face', 'charset', 'namespace', 'page'])
/** Functions by which a style sheet loads something. */
const loading = new Set([
  'url',
  'src',
  'image',
  'image-set',
  '-webkit-image-set',
  'cross-fade',
  '-webkit-cross-fade',
  'element',
  'paint',
])
/** Within the document itself, or in the sheet as data. */
const isInside = (address: string) =>
  /^\s*(?:#[\w-]*|data:image\/(?:png|jpeg|gif|webp);base64,[\w+/=\s]*)\s*$/i.test(address)
/** More of these than that keep a browser busy. */
const hasMost = 20

/**
 * Reads CSS of a person's own as browsers do, escapes included, and takes out what would load anything: what is left is safe by
 * what it says, not only by where it stands. Linear.
 * @param of a whole style sheet, or the declarations of one element
 */
export function readStyle(css: string, of: 'sheet' | 'declarations' = 'sheet'): ReadStyle {
  const problems: CodeProblem[] = []
  const say = (token: CSSToken, reason: string) => problems.push({ at: token[2], reason })
  const tokens = tokenize(
    { css },
    {
      onParseError: ({ sourceStart, message }) => void problems.push({ at: sourceStart, reason: plainFault(message) }),
    },
  )
  const braces: CSSToken[] = []
  let has = 0
  const kept = tokens.map((token, index) => {
    switch (token[0]) {
      case TokenType.AtKeyword:
        if (!leftOutRules.has(token[4].value.toLowerCase())) return token[1]
        say(token, `@${token[4].value.toLowerCase()} is left out: nothing is loaded here`)
        return '@left-out'
      case TokenType.URL:
        if (isInside(token[4].value)) return token[1]
        say(token, 'url() is left out: nothing is loaded here')
        return 'none'
      case TokenType.BadURL:
        say(token, 'an address that cannot be read')
        return 'none'
      case TokenType.Function: {
        const name = token[4].value.toLowerCase()
        if (name === 'has' && ++has === hasMost + 1)
          say(token, `more than ${hasMost} times :has(): the rest is left out, it keeps browsers busy`)
        if (name === 'has' && has > hasMost) return 'left-out('
        if (!loading.has(name) || (name === 'url' && isInsideString(tokens[index + 1]))) return token[1]
        say(token, `${name}() is left out: nothing is loaded here`)
        return 'left-out('
      }
      case TokenType.OpenCurly:
        braces.push(token)
        return token[1]
      case TokenType.CloseCurly:
        if (!braces.pop() && of === 'sheet') say(token, 'a closing brace without one that opens')
        return token[1]
      case TokenType.Ident:
        if (token[4].value.toLowerCase() === 'fixed' && declares(tokens, index, 'position'))
          say(token, 'position: fixed stays within the box of this part')
        return token[1]
      default:
        return token[1]
    }
  })
  const [unclosed] = braces
  if (unclosed) say(unclosed, 'a brace that is not closed')
  return { css: kept.join(''), problems: problems.sort((a, b) => a.at - b.at) }
}

function isInsideString(token: CSSToken | undefined): boolean {
  return token?.[0] === TokenType.String && isInside(token[4].value)
}

/** Whether a token is the value of a property. */
function declares(tokens: readonly CSSToken[], at: number, property: string): boolean {
  let back = at - 1
  while (tokens[back]?.[0] === TokenType.Whitespace || tokens[back]?.[0] === TokenType.Comment) back -= 1
  if (tokens[back]?.[0] !== TokenType.Colon) return false
  back -= 1
  while (tokens[back]?.[0] === TokenType.Whitespace) back -= 1
  const name = tokens[back]
  return name?.[0] === TokenType.Ident && name[4].value.toLowerCase() === property
}

function plainFault(message: string): string {
  if (/string/i.test(message)) return 'a text in quotes that is not closed'
  return /comment/i.test(message) ? 'a comment that is not closed' : 'something that cannot be read'
}
