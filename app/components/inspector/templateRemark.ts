import type { VariableDeclaration } from '../../../core/events/variables.ts'
import type { ParsedTemplate } from '../../../core/text/template.ts'
import { templateMistakes } from '../../../core/text/templateMistakes.ts'

/** The first thing to say about a template, in words; empty when it is fine. */
export function templateRemark(parsed: ParsedTemplate, variables: readonly VariableDeclaration[]): string {
  const [problem] = parsed.problems
  if (problem) return `At letter ${problem.at + 1}: ${problem.reason}. It is shown as typed.`
  const [mistake] = templateMistakes(parsed.nodes, variables)
  return mistake ? `${mistake.reason.charAt(0).toUpperCase()}${mistake.reason.slice(1)}.` : ''
}
