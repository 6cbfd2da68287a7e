import type { VariableDeclaration } from '../../../core/events/variables.ts'
import type { ParsedTemplate } from '../../../core/text/template.ts'

/** The first thing to say about a template, in words; empty when it is fine. */
export function templateRemark(parsed: ParsedTemplate, variables: readonly VariableDeclaration[]): string {
  const [problem] = parsed.problems
  if (problem) return `At letter ${problem.at + 1}: ${problem.reason}. It is shown as typed.`
  const unknown = parsed.nodes.find((node) => node.type === 'variable' && !variables.some((each) => each.name === node.name))
  return unknown?.type === 'variable' ? `This kind of event never carries ${unknown.raw}; it stays empty.` : ''
}
