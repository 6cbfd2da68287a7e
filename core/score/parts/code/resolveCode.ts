import { resolveInk } from '../../../look/resolveStyle.ts'
import { inkRoles, type Look, type typeRoles, type Typeface } from '../../../look/schema.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import { fillTemplate } from '../../../text/fillTemplate.ts'
import { numberIn, plainValue, type TemplateValues } from '../../../text/templateValue.ts'
import { plainText } from '../../../text/textPiece.ts'
import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import { cssString } from './cssString.ts'
import { markupOf, styleOf } from './readLately.ts'
import type { CodeNode } from './readMarkup.ts'
import type { Code, CodeProperty } from './schema.ts'

export interface ResolvedCode extends ResolvedVisible {
  kind: 'code'
  widthPx: number
  heightPx: number
  /** What is in the document, its words filled. */
  nodes: CodeNode[]
  css: string
  /** Custom properties of the document, by their names with the two dashes. */
  properties: Record<string, string>
  /** The typefaces of the look, by role: they are there under `--display` and `--text`. */
  types: Record<(typeof typeRoles)[number], Typeface>
  /** Which of the properties that say the time are used: `--t`, `--enter`, `--leave`. */
  follows: string[]
}

/** Properties that say where in its clip the document is. */
export const timeProperties = ['--t', '--enter', '--leave'] as const

/**
 * Settles a code part: its markup is read and its words are filled, as text; values, roles of the look and what dials turn are
 * custom properties. Nothing that an event carries becomes markup or a rule.
 */
export function resolveCode(part: Code, times: SolvedClip, context: PartContext): ResolvedCode {
  const { look, values, locale } = context
  const { css } = styleOf(part.css)
  const nodes = filled(markupOf(part.html).nodes, values, locale)
  const written = css + JSON.stringify(nodes)
  return {
    kind: 'code',
    ...settleVisible(part, times, look),
    widthPx: part.widthPx,
    heightPx: part.heightPx,
    nodes,
    css,
    properties: {
      ...roleProperties(look),
      ...valueProperties(values, locale),
      '--length': String((times.endMs - times.startMs) / 1000),
      ...ownProperties(part.properties, context),
    },
    types: { display: typefaceOf(look, 'display'), text: typefaceOf(look, 'text') },
    follows: timeProperties.filter((name) => new RegExp(`${name}(?![\\w-])`).test(written)),
  }
}

function filled(nodes: readonly CodeNode[], values: TemplateValues, locale: string): CodeNode[] {
  return nodes.map((node) =>
    typeof node === 'string'
      ? filledText(node, values, locale)
      : { ...node, children: filled(node.children, values, locale) },
  )
}

/** Blanks at the ends of words keep elements apart; those within close up as in every text. */
function filledText(text: string, values: TemplateValues, locale: string): string {
  if (!text.includes('{')) return text
  const [before = ''] = /^\s*/.exec(text) ?? []
  const [after = ''] = /\s*$/.exec(text.slice(before.length)) ?? []
  const pieces = fillTemplate(text.slice(before.length, text.length - after.length), values, locale)
  // What comes from the event is isolated, so that its direction cannot turn the words around it.
  return before + pieces.map((piece) => (piece.isValue ? `\u2068${piece.text}\u2069` : piece.text)).join('') + after
}

const roleProperties = (look: Look) => Object.fromEntries(inkRoles.map((role) => [`--${role}`, look.palette[role]]))

/** Words as a text in quotes; numbers and amounts as a number, and as they are written under `…-words`. */
function valueProperties(values: TemplateValues, locale: string): Record<string, string> {
  const properties: Record<string, string> = {}
  for (const [name, value] of Object.entries(values)) {
    const words = cssString(plainValue(value, locale))
    if (typeof value === 'string') properties[`--${name}`] = words
    else {
      properties[`--${name}`] = String(numberIn(value) ?? 0)
      properties[`--${name}-words`] = words
    }
  }
  return properties
}

function ownProperties(own: Readonly<Record<string, CodeProperty>>, { look, values, locale }: PartContext) {
  const valueOf = (property: CodeProperty): string => {
    if (property.kind === 'colour') return resolveInk(property.ink, look)
    if (property.kind === 'number') return `${property.value}${property.unit}`
    return cssString(plainText(fillTemplate(property.template, values, locale)))
  }
  return Object.fromEntries(Object.entries(own).map(([name, property]) => [`--${name}`, valueOf(property)]))
}

const typefaceOf = ({ type }: Look, role: (typeof typeRoles)[number]): Typeface => ({
  family: type[role].family,
  weight: type[role].weight,
})
