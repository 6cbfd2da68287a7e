import { readAnchor } from '../../../core/composition/anchor.ts'
import { isVisiblePart, type Part } from '../../../core/score/parts/part.ts'
import type { Choice } from '../fields/ChoiceField.vue'

/**
 * What an edge of a part can hang on, in words. Parts that themselves wait for this one are left out: choosing them
 * would tie a knot.
 */
export function anchorChoices(part: Part, parts: readonly Part[], which: 'start' | 'end'): Choice<string>[] {
  const waiting = waitingFor(part.id, parts)
  const others = parts.filter((each) => each.id !== part.id && !waiting.has(each.id))
  const seen = others.filter(isVisiblePart)
  const score =
    which === 'start'
      ? [{ value: 'score.start', label: 'with the alert' }]
      : [{ value: 'score.end', label: 'the alert ends' }]
  const prefix = which === 'start' ? 'when ' : ''
  return [
    ...score,
    ...seen.map((each) => ({ value: `${each.id}.entered`, label: `${prefix}${each.name} has entered` })),
    ...others.map((each) => ({
      value: `${each.id}.start`,
      label: which === 'start' ? `with ${each.name}` : `${each.name} starts`,
    })),
    ...seen.map((each) => ({ value: `${each.id}.leaving`, label: `${prefix}${each.name} leaves` })),
    ...others.map((each) => ({ value: `${each.id}.end`, label: `${prefix}${each.name} has ended` })),
  ]
}

function waitingFor(partId: string, parts: readonly Part[]): Set<string> {
  const waiting = new Set<string>([partId])
  for (let grew = true; grew;) {
    grew = false
    for (const { id, clip } of parts) {
      const anchors = clip.end.length === 'until' ? [clip.start.at, clip.end.edge.at] : [clip.start.at]
      if (!waiting.has(id) && anchors.some((anchor) => waiting.has(readAnchor(anchor).id))) {
        waiting.add(id)
        grew = true
      }
    }
  }
  return waiting
}
