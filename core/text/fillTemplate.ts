import { parseTemplate, type TemplateNode, type TemplateOption } from './template.ts'
import {
  numberIn,
  plainValue,
  pluralCase,
  styledNumber,
  type TemplateValue,
  type TemplateValues,
} from './templateValue.ts'
import type { TextPiece } from './textPiece.ts'

/**
 * Fills a template from values. A value is data: it is never parsed again, so a viewer called `{amount}` stays a name.
 * A variable without a value leaves nothing behind, and the spaces around it close up; a choice without a value takes
 * its `other` case. Never throws.
 * @param locale BCP 47, decides plural cases and how numbers and money are written
 */
export function fillTemplate(template: string, values: TemplateValues, locale = 'en'): TextPiece[] {
  const pieces: TextPiece[] = []
  fill(parseTemplate(template).nodes, values, locale, null, pieces)
  return closeUp(pieces)
}

function fill(
  nodes: readonly TemplateNode[],
  values: TemplateValues,
  locale: string,
  count: number | null,
  into: TextPiece[],
): void {
  for (const node of nodes) {
    switch (node.type) {
      case 'words':
        into.push({ text: node.text, isValue: false })
        break
      case 'count':
        if (count !== null) into.push({ text: plainValue(count, locale), isValue: true })
        break
      case 'variable':
        addValue(into, valueOf(values, node.name), (value) => plainValue(value, locale))
        break
      case 'number':
        addValue(into, valueOf(values, node.name), (value) => styledNumber(value, node.style, locale))
        break
      case 'plural': {
        const value = valueOf(values, node.name)
        const number = value === undefined ? null : numberIn(value)
        const counted = number === null ? null : number - node.offset
        const option =
          find(node.options, number === null ? 'other' : `=${number}`) ??
          find(node.options, counted === null ? 'other' : pluralCase(counted, locale, node.isOrdinal)) ??
          find(node.options, 'other')
        fill(option?.nodes ?? [], values, locale, counted, into)
        break
      }
      case 'select': {
        const value = valueOf(values, node.name)
        const option = find(node.options, optionOf(value, locale)) ?? find(node.options, 'other')
        fill(option?.nodes ?? [], values, locale, count, into)
        break
      }
    }
  }
}

/** Which option of a choice a value asks for. */
function optionOf(value: TemplateValue | undefined, locale: string): string {
  if (value === undefined) return 'other'
  return typeof value === 'object' ? plainValue(value, locale) : String(value)
}

function valueOf(values: TemplateValues, name: string): TemplateValue | undefined {
  return Object.hasOwn(values, name) ? values[name] : undefined
}

function find(options: readonly TemplateOption[], selector: string): TemplateOption | undefined {
  return options.find((option) => option.selector === selector)
}

/** A value on one line: breaks and runs of blanks are one; not the unbreakable ones that locales write inside numbers. */
export const onOneLine = (text: string) => text.replace(/[^\S\u00A0\u202F]+/g, ' ')

function addValue(into: TextPiece[], value: TemplateValue | undefined, write: (value: TemplateValue) => string): void {
  const text = value === undefined ? '' : onOneLine(write(value))
  if (text) into.push({ text, isValue: true })
}

function closeUp(pieces: readonly TextPiece[]): TextPiece[] {
  const closed: TextPiece[] = []
  for (const piece of pieces) {
    const previous = closed.at(-1)
    if (previous && !previous.isValue && !piece.isValue) {
      previous.text = (previous.text + piece.text).replace(/ {2,}/g, ' ')
    } else {
      closed.push({ ...piece })
    }
  }
  const first = closed[0]
  const last = closed.at(-1)
  if (first && !first.isValue) first.text = first.text.trimStart()
  if (last && !last.isValue) last.text = last.text.trimEnd()
  return closed.filter((piece) => piece.text !== '')
}
