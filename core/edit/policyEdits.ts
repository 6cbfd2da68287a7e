import { copyOf } from '../copyOf.ts'
import type { BoxPolicy, Sentence } from '../queue/policy.ts'
import type { Edit } from './change.ts'

/** Changes a sentence of a policy; quick changes of the same become one step. */
export function setSentence(at: number, sentence: Sentence): Edit {
  return {
    label: 'how it behaves on air',
    mergeKey: `policy/${at}`,
    recipe: (draft) => {
      if (draft.policy[at]) draft.policy[at] = copyOf(sentence)
    },
  }
}

/** Takes over a whole policy, as one step. */
export function takePolicy(policy: BoxPolicy): Edit {
  return { label: 'how it behaves on air', recipe: (draft) => void (draft.policy = copyOf(policy)) }
}

/** Switches a sentence on or off. */
export function switchSentence(at: number, isOn: boolean): Edit {
  return {
    label: isOn ? 'a sentence on' : 'a sentence off',
    recipe: (draft) => {
      const sentence = draft.policy[at]
      if (sentence) sentence.isOn = isOn
    },
  }
}

/** Adds a sentence at the end. */
export function addSentence(sentence: Sentence): Edit {
  return { label: 'add a sentence', recipe: (draft) => void draft.policy.push(copyOf(sentence)) }
}

export function removeSentence(at: number): Edit {
  return { label: 'remove a sentence', recipe: (draft) => void draft.policy.splice(at, 1) }
}

/** Says a sentence before the one that it follows: of two about the same the first wins. */
export function sayEarlier(at: number): Edit {
  return {
    label: 'order of sentences',
    recipe: (draft) => {
      const [before, after] = [draft.policy[at - 1], draft.policy[at]]
      if (before && after) draft.policy.splice(at - 1, 2, copyOf(after), copyOf(before))
    },
  }
}

/** What a sentence says when it is new, by its rule. */
export const newSentences: { [R in Sentence['rule']]: Extract<Sentence, { rule: R }> } = {
  gap: { rule: 'gap', isOn: true, ms: 400 },
  order: { rule: 'order', isOn: true, of: [{ kind: 'raid', from: null }], steps: 2 },
  merge: { rule: 'merge', isOn: true, kinds: ['tip'], withinMs: 10_000, below: 500, isEvenWritten: false },
  gifts: { rule: 'gifts', isOn: true },
  elastic: { rule: 'elastic', isOn: true, waiting: 8, lastMs: null },
  airtime: { rule: 'airtime', isOn: true, percent: 60 },
  age: { rule: 'age', isOn: true, kinds: ['follow'], ms: 60_000 },
  beside: { rule: 'beside', isOn: true, kinds: [], atMost: 2 },
  quiet: { rule: 'quiet', isOn: true, when: { is: 'hours', from: 180, until: 240 }, does: 'collect' },
  approve: { rule: 'approve', isOn: true, kinds: [], isFlagged: true, withinMs: 300_000 },
  room: { rule: 'room', isOn: true, atMost: 500 },
}
