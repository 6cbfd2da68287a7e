/** A stretch of a template: words as typed, or a variable to be filled from the event. */
export type TemplateNode = { type: 'words'; text: string } | { type: 'variable'; name: string; raw: string }

/** Something in a template that could not be read; `at` counts UTF-16 units from its start. */
export interface TemplateProblem {
  at: number
  reason: string
}

export interface ParsedTemplate {
  nodes: TemplateNode[]
  problems: TemplateProblem[]
}

const VARIABLE_NAME = /^[a-zA-Z][a-zA-Z0-9_]*$/

/**
 * Reads a message template. The grammar is the argument form of ICU MessageFormat, `{name}`, and it forgives: what
 * does not parse stays visible as typed and is reported with its position, so that half-typed text can be shown
 * while somebody is typing. Linear in the length of the text; never throws.
 */
export function parseTemplate(template: string): ParsedTemplate {
  const nodes: TemplateNode[] = []
  const problems: TemplateProblem[] = []
  let words = ''
  const flush = () => {
    if (words) nodes.push({ type: 'words', text: words })
    words = ''
  }
  let index = 0
  while (index < template.length) {
    const open = template.indexOf('{', index)
    if (open < 0) {
      words += template.slice(index)
      break
    }
    words += template.slice(index, open)
    const close = template.indexOf('}', open)
    const nextOpen = template.indexOf('{', open + 1)
    const isUnclosed = close < 0 || (nextOpen >= 0 && nextOpen < close)
    if (isUnclosed) {
      problems.push({ at: open, reason: 'this brace is not closed' })
      words += '{'
      index = open + 1
      continue
    }
    const raw = template.slice(open, close + 1)
    const name = raw.slice(1, -1).trim()
    if (VARIABLE_NAME.test(name)) {
      flush()
      nodes.push({ type: 'variable', name, raw })
    } else {
      problems.push({ at: open, reason: name ? `"${name.slice(0, 40)}" is not a variable name` : 'no name between the braces' })
      words += raw
    }
    index = close + 1
  }
  flush()
  return { nodes, problems }
}
