import type { VariableDeclaration } from '../events/variables.ts'
import type { TemplateNode } from './template.ts'

/** Something in a template that is read and means something else than whoever typed it may think. */
export interface TemplateMistake {
  type: 'neverCarried' | 'otherCurrency'
  /** UTF-16 units from the template's start. */
  at: number
  raw: string
  /** The variable’s name. */
  name: string
  /** A sentence without its stop. */
  reason: string
}

/**
 * What is wrong with a template that can be read: variables that the event never carries, and amounts that are asked for
 * in another currency, which none of them is converted to.
 */
export function templateMistakes(
  nodes: readonly TemplateNode[],
  variables: readonly VariableDeclaration[],
): TemplateMistake[] {
  return nodes.flatMap((node) => {
    if (!('name' in node)) return []
    const { at, raw, name } = node
    const variable = variables.find((each) => each.name === name)
    const mistakes: TemplateMistake[] = []
    if (!variable)
      mistakes.push({
        type: 'neverCarried',
        at,
        raw,
        name,
        reason: `this kind of event never carries {${name}}; it stays empty`,
      })
    else if (node.type === 'number' && variable.type === 'money' && node.style.startsWith('::currency/'))
      mistakes.push({
        type: 'otherCurrency',
        at,
        raw,
        name,
        reason: `{${name}} is shown in its own currency and never converted; write ::currency`,
      })
    const inside = 'options' in node ? node.options.flatMap((option) => templateMistakes(option.nodes, variables)) : []
    return [...mistakes, ...inside]
  })
}
