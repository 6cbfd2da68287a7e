/**
 * A stretch of a template. The grammar is ICU MessageFormat's: `{name}`, `{amount, number, ::currency/EUR}`, `{months,
 * plural, one {# month} other {# months}}`, `{tier, select, I {…} other {…}}`. `at` counts UTF-16 units from its start.
 */
export type TemplateNode =
  | { type: 'words'; text: string }
  | { type: 'variable'; name: string; at: number; raw: string }
  | { type: 'number'; name: string; style: string; at: number; raw: string }
  | {
      type: 'plural'
      name: string
      isOrdinal: boolean
      offset: number
      options: TemplateOption[]
      at: number
      raw: string
    }
  | { type: 'select'; name: string; options: TemplateOption[]; at: number; raw: string }
  /** `#` inside a plural: the number itself, less the offset. */
  | { type: 'count' }

export interface TemplateOption {
  selector: string
  nodes: TemplateNode[]
}

/** Something in a template that could not be read. */
export interface TemplateProblem {
  at: number
  reason: string
}

export interface ParsedTemplate {
  nodes: TemplateNode[]
  problems: TemplateProblem[]
}

const maxDepth = 8
const numberStyle = /^(|integer|percent|::(currency(\/[A-Z]{3})?|compact-short|compact-long|percent|integer|\.0{1,6}))$/

/** Why an argument could not be read. Never leaves this file. */
class Unreadable extends Error {
  constructor(
    readonly at: number,
    readonly reason: string,
  ) {
    super(reason)
  }
}

/**
 * Reads a message template and forgives: an argument that does not parse stays visible as typed and is reported at the
 * letter, so that half-typed text can be shown while somebody is typing. Never throws. An apostrophe before a brace
 * quotes up to the next apostrophe, two are one, as in ICU. At worst quadratic in the number of unclosed braces.
 */
export function parseTemplate(template: string): ParsedTemplate {
  return new TemplateReader(template).read()
}

class TemplateReader {
  private index = 0
  private readonly problems: TemplateProblem[] = []
  private readonly unreadable = new Map<number, Unreadable>()

  constructor(private readonly source: string) {}

  read(): ParsedTemplate {
    const nodes: TemplateNode[] = []
    while (this.index < this.source.length) {
      nodes.push(...this.message(0, false))
      if (this.index >= this.source.length) break
      // Behind an argument that is not closed braces may stand alone: that was said already.
      if (this.problems.length === 0) this.problems.push({ at: this.index, reason: 'this brace closes nothing' })
      nodes.push({ type: 'words', text: '}' })
      this.index++
    }
    return { nodes: joinWords(nodes), problems: this.problems }
  }

  /** Reads up to a closing brace that belongs to somebody further out, or to the end. */
  private message(depth: number, isInPlural: boolean): TemplateNode[] {
    const nodes: TemplateNode[] = []
    let words = ''
    const flush = () => {
      if (words) nodes.push({ type: 'words', text: words })
      words = ''
    }
    while (this.index < this.source.length) {
      const letter = this.source[this.index] as string
      if (letter === '}') break
      if (letter === "'") words += this.quoted(isInPlural)
      else if (letter === '#' && isInPlural) {
        flush()
        nodes.push({ type: 'count' })
        this.index++
      } else if (letter === '{') {
        const argument = this.argumentOrNull(depth)
        if (argument) {
          flush()
          nodes.push(argument)
        } else {
          // As it was typed to its end: half of it read as something else would be garbled.
          const end = closingBrace(this.source, this.index) ?? this.index
          words += this.source.slice(this.index, end + 1)
          this.index = end + 1
        }
      } else {
        words += letter
        this.index++
      }
    }
    flush()
    return nodes
  }

  private quoted(isInPlural: boolean): string {
    const next = this.source[this.index + 1]
    if (next === "'") {
      this.index += 2
      return "'"
    }
    const quotes = next === '{' || next === '}' || (isInPlural && next === '#')
    this.index++
    if (!quotes) return "'"
    let text = ''
    while (this.index < this.source.length) {
      const letter = this.source[this.index] as string
      this.index++
      if (letter !== "'") text += letter
      else if (this.source[this.index] === "'") {
        text += "'"
        this.index++
      } else break
    }
    return text
  }

  /**
   * An argument, or null with the reason noted and nothing consumed. What could not be read once is not tried again
   * from further out.
   */
  private argumentOrNull(depth: number): TemplateNode | null {
    const from = this.index
    const problemCount = this.problems.length
    try {
      const known = this.unreadable.get(from)
      if (known) throw known
      return this.argument(depth)
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error
      this.unreadable.set(from, error)
      this.index = from
      // What was wrong inside is said once, by what made it unreadable.
      this.problems.length = problemCount
      this.problems.push({ at: error.at, reason: error.reason })
      return null
    }
  }

  private argument(depth: number): TemplateNode {
    const at = this.index
    if (depth >= maxDepth) throw new Unreadable(at, `braces are nested more than ${maxDepth} deep`)
    this.index++
    const name = this.word()
    if (!name) {
      const rest = this.source.slice(this.index)
      if (!/[{}]/.test(rest)) throw new Unreadable(at, 'this brace is not closed')
      throw new Unreadable(
        at,
        /^\s*\}/.test(rest)
          ? 'no name between the braces'
          : `"${rest.split(/[{},]/)[0]?.trim().slice(0, 40)}" is not a variable name`,
      )
    }
    const raw = () => this.source.slice(at, this.index)
    if (this.take('}')) return { type: 'variable', name, at, raw: raw() }
    if (!this.take(',')) {
      if (this.index >= this.source.length) throw new Unreadable(at, 'this brace is not closed')
      throw new Unreadable(
        at,
        /^[^{},]*\}/.test(this.source.slice(this.index))
          ? `"${(name + this.source.slice(this.index).split('}')[0]).slice(0, 40)}" is not a variable name`
          : 'this brace is not closed',
      )
    }
    const typeAt = this.index
    const type = this.word()
    if (type === 'number') {
      const style = this.take(',') ? this.until('}') : ''
      if (!numberStyle.test(style))
        throw new Unreadable(typeAt, `"${style.slice(0, 40)}" is not a way to write numbers; try ::currency`)
      this.close(at)
      return { type: 'number', name, style, at, raw: raw() }
    }
    if (type === 'plural' || type === 'selectordinal' || type === 'select') return this.choice(at, name, type, depth)
    throw new Unreadable(
      typeAt,
      type
        ? `"${type}" is not number, plural, selectordinal or select`
        : 'number, plural or select is expected after the comma',
    )
  }

  private choice(at: number, name: string, type: 'plural' | 'selectordinal' | 'select', depth: number): TemplateNode {
    if (!this.take(',')) throw new Unreadable(this.index, 'a comma and the cases are expected')
    const isPlural = type !== 'select'
    let offset = 0
    const offsetMatch = /^\s*offset\s*:\s*(\d{1,6})/.exec(this.source.slice(this.index))
    if (isPlural && offsetMatch) {
      offset = Number(offsetMatch[1])
      this.index += offsetMatch[0].length
    }
    const options: TemplateOption[] = []
    for (;;) {
      this.blank()
      if (this.index >= this.source.length || this.source[this.index] === '}') break
      const selectorAt = this.index
      const selector = this.selector()
      const isFit = isPlural ? /^(=-?\d+|zero|one|two|few|many|other)$/.test(selector) : /^[^\s{}=#,]+$/.test(selector)
      if (!isFit)
        throw new Unreadable(
          selectorAt,
          isPlural ? `"${selector}" is not one, few, many, other or =5` : 'a case and its words in braces are expected',
        )
      if (options.some((option) => option.selector === selector))
        throw new Unreadable(selectorAt, `"${selector}" is there twice`)
      this.blank()
      const bodyAt = this.index
      if (!this.take('{')) throw new Unreadable(bodyAt, `the words of "${selector}" are expected in braces`)
      const nodes = this.message(depth + 1, isPlural)
      this.close(bodyAt)
      options.push({ selector, nodes: joinWords(nodes) })
    }
    this.close(at)
    if (!options.some((option) => option.selector === 'other')) throw new Unreadable(at, 'the case "other" is missing')
    const raw = this.source.slice(at, this.index)
    return isPlural
      ? { type: 'plural', name, isOrdinal: type === 'selectordinal', offset, options, at, raw }
      : { type: 'select', name, options, at, raw }
  }

  private blank(): void {
    while (/\s/.test(this.source[this.index] ?? '')) this.index++
  }

  private word(): string {
    this.blank()
    const found = /^[a-zA-Z][a-zA-Z0-9_]*/.exec(this.source.slice(this.index, this.index + 80))?.[0] ?? ''
    this.index += found.length
    this.blank()
    return found
  }

  private selector(): string {
    const found = /^[^\s{}]*/.exec(this.source.slice(this.index, this.index + 80))?.[0] ?? ''
    this.index += found.length
    return found
  }

  private until(letter: string): string {
    const end = this.source.indexOf(letter, this.index)
    const found = this.source.slice(this.index, end < 0 ? undefined : end)
    this.index += found.length
    return found.trim()
  }

  private take(letter: string): boolean {
    if (this.source[this.index] !== letter) return false
    this.index++
    return true
  }

  private close(openedAt: number): void {
    this.blank()
    if (!this.take('}')) throw new Unreadable(openedAt, 'this brace is not closed')
  }
}

/** Where the brace is closed that opens at a place, past braces inside and what apostrophes quote; null where it is not. */
function closingBrace(source: string, openAt: number): number | null {
  let depth = 0
  for (let at = openAt; at < source.length; at++) {
    const letter = source[at]
    if (letter === "'" && (source[at + 1] === '{' || source[at + 1] === '}')) {
      const quoteEnd = source.indexOf("'", at + 2)
      if (quoteEnd < 0) return null
      at = quoteEnd
    } else if (letter === '{') depth += 1
    else if (letter === '}') {
      depth -= 1
      if (depth === 0) return at
    }
  }
  return null
}

function joinWords(nodes: readonly TemplateNode[]): TemplateNode[] {
  const joined: TemplateNode[] = []
  for (const node of nodes) {
    const previous = joined.at(-1)
    if (node.type === 'words' && previous?.type === 'words')
      joined[joined.length - 1] = { type: 'words', text: previous.text + node.text }
    else joined.push(node)
  }
  return joined
}
