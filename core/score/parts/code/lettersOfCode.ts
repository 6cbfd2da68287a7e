import type { CodeNode } from './readMarkup.ts'
import type { ResolvedCode } from './resolveCode.ts'

/** The letters that a document may show: its words, and what its style sheet may bring in as text. */
export function lettersOfCode({ nodes, css, properties }: Pick<ResolvedCode, 'nodes' | 'css' | 'properties'>): string {
  const texts: string[] = []
  const gather = (node: CodeNode): void => {
    if (typeof node === 'string') texts.push(node)
    else node.children.forEach(gather)
  }
  nodes.forEach(gather)
  // Only in quotes: what else stands in a sheet is not shown.
  for (const value of [css, ...Object.values(properties)]) texts.push(...(value.match(/"[^"]*"|'[^']*'/g) ?? []))
  return [...new Set(texts.join('').replaceAll(/\s+/g, ' '))].join('')
}
