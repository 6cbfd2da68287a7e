import type { CodeNode } from './readMarkup.ts'
import type { ResolvedCode } from './resolveCode.ts'

/** What counters count with, and what styles put between words: always there. */
const always = ' 0123456789.,:-•!?'

/**
 * The letters that a document may show: its words in capitals and in small letters, as a style may write them, and what its style
 * sheet may bring in as text.
 */
export function lettersOfCode({ nodes, css, properties }: Pick<ResolvedCode, 'nodes' | 'css' | 'properties'>): string {
  const texts: string[] = []
  const gather = (node: CodeNode): void => {
    if (typeof node === 'string') texts.push(node)
    else node.children.forEach(gather)
  }
  nodes.forEach(gather)
  // Only in quotes: what else stands in a sheet is not shown.
  for (const value of [css, ...Object.values(properties)])
    texts.push(...(value.match(/"[^"]*"|'[^']*'/g) ?? []).map(unescaped))
  const text = texts.join(' ').replaceAll(/\s+/g, ' ')
  return [...new Set(always + text + text.toUpperCase() + text.toLowerCase())].join('')
}

/** Letters as they are meant that CSS writes by their numbers. */
const unescaped = (quoted: string) =>
  quoted.replaceAll(/\\([0-9a-f]{1,6})\s?/gi, (_, code: string) =>
    String.fromCodePoint(Math.min(0x10ffff, Number.parseInt(code, 16))),
  )
