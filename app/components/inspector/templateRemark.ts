import type { VariableDeclaration } from '../../../core/events/variables.ts'
import { variablesIn } from '../../../core/remarks/content.ts'
import type { ParsedTemplate } from '../../../core/text/template.ts'

/** The first thing to say about a template, in words; empty when it is fine. */
export function templateRemark(parsed: ParsedTemplate, variables: readonly VariableDeclaration[]): string {
  const [problem] = parsed.problems
  if (problem) return `At letter ${problem.at + 1}: ${problem.reason}. It is shown as typed.`
  const unknown = [...variablesIn(parsed.nodes)].find((name) => !variables.some((each) => each.name === name))
  return unknown ? `This kind of event never carries {${unknown}}; it stays empty.` : ''
}
