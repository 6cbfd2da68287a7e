import { Parser } from 'htmlparser2'
import type { CodeProblem } from './codeProblem.ts'
import { attributeOf, endsByItself, isDrawnTag, isEmptyTag, tagOf } from './markupWords.ts'
import { readStyle } from './readStyle.ts'
import { codeLimits } from './schema.ts'

/** A piece of a document that was checked: words, or an element with what it holds. Nothing in it runs or loads. */
export type CodeNode = string | CodeElement
export interface CodeElement {
  tag: string
  /** Drawn as SVG draws. */
  isDrawn: boolean
  attributes: Record<string, string>
  children: CodeNode[]
}

export interface ReadMarkup {
  nodes: CodeNode[]
  problems: CodeProblem[]
}

/**
 * Reads HTML of a person's own and keeps what is laid out or drawn; the rest is left out with what it held and reported where it
 * stands. Words stay as they are: they are templates. Never throws. Linear.
 */
export function readMarkup(html: string): ReadMarkup {
  const top: CodeElement = { tag: '', isDrawn: false, attributes: {}, children: [] }
  const open: { element: CodeElement; at: number }[] = [{ element: top, at: 0 }]
  const problems: CodeProblem[] = []
  let elements = 0
  /** How deep it is in something that is left out. */
  let skipped = 0
  let isFull = false
  const inner = () => open.at(-1)?.element ?? top

  const parser = new Parser(
    {
      onopentag(name, given) {
        if (skipped > 0) return void (skipped += 1)
        const at = parser.startIndex
        const reason = whyLeftOut(name, elements, open.length)
        if (reason !== null) {
          if (!isFull) problems.push({ at, reason })
          isFull ||= elements >= codeLimits.elements
          return void (skipped = 1)
        }
        elements += 1
        const tag = tagOf(name) ?? ''
        const isDrawn = isDrawnTag(tag)
        const element = { tag, isDrawn, attributes: keptOf(given, isDrawn, at, problems), children: [] }
        inner().children.push(element)
        open.push({ element, at })
      },
      ontext(text) {
        if (skipped > 0) return
        const { children } = inner()
        // An entity comes by itself: words that belong together are one template.
        if (typeof children.at(-1) === 'string') children[children.length - 1] += text
        else children.push(text)
      },
      onclosetag(_name, isImplied) {
        if (skipped > 0) return void (skipped -= 1)
        const closed = open.length > 1 ? open.pop() : undefined
        // One that closes itself is told in the same place as its beginning.
        if (html[parser.endIndex - 1] === '/' && parser.startIndex === closed?.at) return
        if (!closed || !isImplied || isEmptyTag(closed.element.tag) || endsByItself(closed.element.tag)) return
        problems.push({ at: closed.at, reason: `<${closed.element.tag}> is not closed` })
      },
    },
    { lowerCaseTags: false, lowerCaseAttributeNames: false, recognizeSelfClosing: true },
  )
  parser.end(html)
  return { nodes: top.children, problems: problems.sort((a, b) => a.at - b.at) }
}

function whyLeftOut(name: string, elements: number, depth: number): string | null {
  if (elements >= codeLimits.elements) return `more than ${codeLimits.elements} elements: the rest is left out`
  if (depth > codeLimits.depth)
    return `more than ${codeLimits.depth} elements in one another: the inner ones are left out`
  if (tagOf(name) !== null) return null
  const lower = name.toLowerCase()
  if (lower === 'script') return '<script> is left out: nothing runs here'
  if (lower === 'style') return '<style> is left out: styles stand in the CSS'
  if (/^(?:img|image|video|audio|iframe|object|embed|link|source)$/.test(lower))
    return `<${lower}> is left out: nothing is loaded here. Add a part for the file instead`
  return `<${lower.slice(0, 40)}> is left out: it is not one of the elements that are drawn here`
}

function keptOf(
  given: Readonly<Record<string, string>>,
  isDrawn: boolean,
  at: number,
  problems: CodeProblem[],
): Record<string, string> {
  const kept: Record<string, string> = {}
  for (const [name, value] of Object.entries(given)) {
    const known = attributeOf(name, value, isDrawn)
    if (known === null) problems.push({ at, reason: `“${name.slice(0, 40)}” is left out: ${whyNot(name)}` })
    else if (known === 'style' || /url\s*\(|\\/i.test(value)) {
      const read = readStyle(value, 'declarations')
      problems.push(...read.problems.map(({ reason }) => ({ at, reason })))
      kept[known] = read.css
    } else kept[known] = value
  }
  return kept
}

const whyNot = (name: string) => (/^on/i.test(name) ? 'nothing runs here' : 'it has no use here')
