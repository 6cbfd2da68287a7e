import { isSame } from '../../isSame.ts'
import type { BoxPolicy, Sentence } from '../../queue/policy.ts'
import { noteOf, wordsOfSentence, type PolicyNames } from '../../queue/policyWords.ts'
import type { Difference } from './difference.ts'

/** What differs in how a box behaves: sentence by sentence, those of one rule paired in their order. */
export function policyDifferences(before: BoxPolicy, after: BoxPolicy, names: PolicyNames): Difference[] {
  if (isSame(before, after)) return []
  const rules = [...new Set([...after, ...before].map(({ rule }) => rule))]
  const differences = rules.flatMap((rule) => {
    const of = (policy: BoxPolicy) => policy.filter((each) => each.rule === rule)
    const [was, is] = [of(before), of(after)]
    return Array.from({ length: Math.max(was.length, is.length) }, (_, at) => [was[at], is[at]] as const)
      .filter(([earlier, later]) => !isSame(earlier, later))
      .map(([earlier, later]) => ({
        kind: null,
        subject: 'On air',
        what: fate(earlier, later),
        before: words(earlier, names),
        after: words(later, names),
      }))
  })
  if (differences.length > 0) return differences
  const order = (policy: BoxPolicy) => policy.map((each) => wordsOfSentence(each, names)).join(' ')
  return [{ kind: null, subject: 'On air', what: 'order', before: order(before), after: order(after) }]
}

function fate(before: Sentence | undefined, after: Sentence | undefined): string {
  if (!before) return 'new'
  return after ? 'sentence' : 'removed'
}

function words(sentence: Sentence | undefined, names: PolicyNames): string {
  if (!sentence) return ''
  // Whose messages are lost stands beneath the sentence.
  const note = sentence.rule === 'merge' ? ` ${noteOf(sentence)}` : ''
  return `${sentence.isOn ? '' : 'off: '}${wordsOfSentence(sentence, names)}${note}`
}
