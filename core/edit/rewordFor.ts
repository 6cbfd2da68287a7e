import type { EventKind } from '../events/kinds.ts'
import { variablesOfKind } from '../events/variables.ts'
import { parseTemplate, type TemplateNode } from '../text/template.ts'

/** A variable of a template that another kind of event does not carry. */
export interface Reworded {
  from: string
  /** What stands there now; null: nothing. */
  to: string | null
}

/** Variables that can stand for each other, the likeliest first. */
const alike: readonly (readonly string[])[] = [
  ['amount', 'count', 'months', 'points', 'party', 'cost', 'streak'],
  ['message', 'input', 'arguments'],
  ['reward', 'item', 'goal', 'command', 'level', 'tier', 'recipient'],
  ['name', 'recipient', 'goal'],
]

/** What of a kind's variables says most nearly what one of another kind did; null where nothing does. */
function counterpartOf(name: string, kind: EventKind): string | null {
  const carried = variablesOfKind(kind).map((variable) => variable.name)
  return alike.find((group) => group.includes(name))?.find((each) => carried.includes(each)) ?? null
}

type Argument = Extract<TemplateNode, { name: string }>

/**
 * The arguments of a template whose variable is not carried, outermost first; what stands inside one of them goes with
 * it.
 */
function* unknownIn(nodes: readonly TemplateNode[], carried: ReadonlySet<string>): Generator<Argument> {
  for (const node of nodes) {
    if (!('name' in node)) continue
    if (!carried.has(node.name)) yield node
    else if ('options' in node) for (const option of node.options) yield* unknownIn(option.nodes, carried)
  }
}

/**
 * Words for another kind of event: variables that it lacks become those that say most nearly the same, or go. A plural
 * keeps its forms with the other number; a choice by a text that is not there goes as a whole.
 * @param own variables that stay, whatever the kind
 */
export function rewordFor(
  template: string,
  kind: EventKind,
  own: readonly string[] = [],
): { template: string; changes: Reworded[] } {
  const carried = new Set([...variablesOfKind(kind).map(({ name }) => name), ...own])
  const changes: Reworded[] = []
  let [words, behind] = ['', 0]
  for (const { name, at, raw, type } of unknownIn(parseTemplate(template).nodes, carried)) {
    const to = type === 'select' ? null : counterpartOf(name, kind)
    changes.push({ from: name, to })
    words += template.slice(behind, at) + (to === null ? '' : raw.replace(name, to))
    behind = at + raw.length
  }
  if (changes.length === 0) return { template, changes }
  return {
    template: (words + template.slice(behind))
      .replace(/ {2,}/g, ' ')
      .replace(/ ([,.;:!?])/g, '$1')
      .trim(),
    changes,
  }
}
