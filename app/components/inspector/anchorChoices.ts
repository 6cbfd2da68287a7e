import { readAnchor } from '../../../core/composition/anchor.ts'
import type { Part } from '../../../core/parts/part.ts'
import type { Choice } from '../fields/ChoiceField.vue'

/**
 * What a part's start can hang on, in words. Parts that themselves wait for this one are left out: choosing them would tie
 * a knot.
 */
export function anchorChoices(part: Part, parts: readonly Part[]): Choice<string>[] {
  const waiting = waitingFor(part.id, parts)
  const others = parts.filter((each) => each.id !== part.id && !waiting.has(each.id))
  return [
    { value: 'score.start', label: 'with the alert' },
    ...others.filter((each) => each.kind !== 'sound').map((each) => ({ value: `${each.id}.entered`, label: `when ${each.name} has entered` })),
    ...others.map((each) => ({ value: `${each.id}.start`, label: `with ${each.name}` })),
  ]
}

function waitingFor(partId: string, parts: readonly Part[]): Set<string> {
  const waiting = new Set<string>([partId])
  for (let grew = true; grew; ) {
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
