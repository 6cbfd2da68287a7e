import type { Composition } from '../composition/schema.ts'
import type { EventKind } from '../events/kinds.ts'
import { togetherVariables } from '../events/together.ts'
import { variablesOf } from '../events/variables.ts'
import { templatesOf, type Part } from '../score/parts/part.ts'
import { variablesIn } from '../score/valuesIn.ts'
import { kindOfPart } from '../score/parts/partKinds.ts'
import { parseTemplate, type TemplateNode } from '../text/template.ts'
import { templateMistakes, type TemplateMistake } from '../text/templateMistakes.ts'
import { inSeconds, type Remark, type RemarkContext } from './remark.ts'
import { standsOnNothing } from './standsOnNothing.ts'

/** Words that cannot come out as meant: braces that do not close, variables that this kind of event never carries. */
export function templateRemarks({ composition, kinds }: RemarkContext): Remark[] {
  return composition.parts.flatMap((part) =>
    templatesOf(part).flatMap((template) => remarksOnWords(part, template, composition, kinds)),
  )
}

function remarksOnWords(part: Part, template: string, composition: Composition, kinds: readonly EventKind[]): Remark[] {
  const { nodes, problems } = parseTemplate(template)
  const remarks: Remark[] = problems.slice(0, 1).map(({ at, reason }) => ({
    type: 'templateProblem',
    partId: part.id,
    level: 'wrong',
    words: `“${part.name}”, letter ${at + 1}: ${reason}. It is ${part.kind === 'voice' ? 'read' : 'shown'} as typed.`,
    remedy: null,
  }))
  const mistakes = templateMistakes(nodes, known(kinds, composition))
  for (const { type, reason } of mistakes)
    if (type === 'otherCurrency')
      remarks.push({
        type: 'templateProblem',
        partId: part.id,
        level: 'wrong',
        words: `“${part.name}”: ${reason}.`,
        remedy: null,
      })
  for (const name of neverCarried(mistakes))
    remarks.push({
      type: 'unknownVariable',
      partId: part.id,
      level: 'wrong',
      words: `${kinds.length > 1 ? 'None of these events ever carries' : 'This kind of event never carries'} {${name}}: “${part.name}” leaves it empty.`,
      remedy: null,
    })
  return remarks
}

/** What can be said. Whatever an event sets off can be shown with others. */
const known = (kinds: readonly EventKind[], composition: Pick<Composition, 'parts'>) => [
  ...variablesOf(kinds),
  ...variablesIn(composition),
  ...(kinds.length > 0 ? togetherVariables : []),
]

/** The variables that a template names and that neither events of these kinds nor its composition ever carry. */
export const unknownVariables = (
  nodes: readonly TemplateNode[],
  kinds: readonly EventKind[],
  composition: Pick<Composition, 'parts'>,
): string[] => neverCarried(templateMistakes(nodes, known(kinds, composition)))

const neverCarried = (mistakes: readonly TemplateMistake[]) => [
  ...new Set(mistakes.filter(({ type }) => type === 'neverCarried').map(({ name }) => name)),
]

/** Parts without a file, and parts that nobody will ever see or hear. */
export function unusedRemarks(context: RemarkContext): Remark[] {
  const { composition, score } = context
  return composition.parts.flatMap((part): Remark[] => {
    if ('mediaId' in part && part.mediaId === null && (part.kind !== 'bar' || part.form === 'picture')) {
      return [
        { type: 'noMedia', partId: part.id, level: 'advice', words: `“${part.name}” has no file yet.`, remedy: null },
      ]
    }
    const isOff = 'isHidden' in part && part.isHidden
    const why = isOff ? 'hidden' : kindOfPart(part).unnoticed(part)
    if (why)
      return [
        {
          type: 'unusedPart',
          partId: part.id,
          level: 'advice',
          words: `“${part.name}” is ${why}: nobody will notice it.`,
          remedy: null,
        },
      ]
    const resolved = score.parts.find((each) => each.id === part.id)
    if (resolved && resolved.endMs <= resolved.startMs && !standsOnNothing(context, part.id)) {
      return [
        {
          type: 'unusedPart',
          partId: part.id,
          level: 'wrong',
          words: `“${part.name}” lasts no time: it would begin at ${inSeconds(resolved.startMs)} and end there.`,
          remedy: { type: 'lastUntilEnd', partId: part.id, label: 'Let it stay until the end' },
        },
      ]
    }
    return []
  })
}
