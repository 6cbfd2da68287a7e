import type { Alert } from '../composition/box.ts'
import { severalCases } from '../composition/box.ts'
import type { EventKind } from '../events/kinds.ts'
import type { BoxPolicy, RuleName, Sentence, SentenceOf } from './policy.ts'
import { kindsWords } from './policyWords.ts'
import type { Target } from './rules/order.ts'

/** Something about a sentence that whoever wrote it may not have meant. */
export interface PolicyRemark {
  /** Which sentence of the policy. */
  at: number
  words: string
}

/** Of these there can be only one. */
const single: readonly RuleName[] = ['gap', 'gifts', 'elastic', 'airtime', 'beside', 'room']

/**
 * What of a policy does nothing, or is contradicted, and what wins. Only sentences that are on say anything.
 * @param alerts of the same box: what may be shown for several at once is designed there
 */
export function policyRemarks(policy: BoxPolicy, alerts: readonly Alert[]): PolicyRemark[] {
  return policy.flatMap((each, at) => {
    if (!each.isOn) return []
    const earlier = policy.slice(0, at).filter(({ isOn }) => isOn)
    const words = contradictionOf(each, earlier) ?? emptyOf(each, alerts)
    return words === null ? [] : [{ at, words }]
  })
}

/** What an earlier sentence says of the same; null: nothing. */
function contradictionOf(sentence: Sentence, earlier: readonly Sentence[]): string | null {
  const alike = earlier.filter(({ rule }) => rule === sentence.rule)
  if (single.includes(sentence.rule))
    return alike.length > 0 ? 'An earlier sentence says this already, and wins.' : null
  switch (sentence.rule) {
    case 'order': {
      const others = (alike as SentenceOf<'order'>[]).filter(({ steps }) => steps !== sentence.steps)
      const said = sentence.of.filter((target) => others.some(({ of }) => of.some((each) => covers(each, target))))
      return saidOf(said.map(nameOf), said.length === sentence.of.length)
    }
    case 'merge': {
      const others = alike as SentenceOf<'merge'>[]
      return saidOfKinds(
        sentence.kinds,
        others.flatMap(({ kinds }) => kinds),
      )
    }
    case 'age': {
      const others = alike as SentenceOf<'age'>[]
      if (sentence.kinds === null)
        return others.some(({ kinds }) => kinds === null) ? 'An earlier sentence says this already, and wins.' : null
      return saidOfKinds(
        sentence.kinds,
        others.flatMap(({ kinds }) => kinds ?? []),
      )
    }
    case 'approve': {
      const others = alike as SentenceOf<'approve'>[]
      return saidOfKinds(
        sentence.kinds,
        others.flatMap(({ kinds }) => kinds),
      )
    }
    default:
      return null
  }
}

/** Whether whatever one target is about the other is about, too. */
function covers(wide: Target, narrow: Target): boolean {
  if ('caseId' in wide || 'caseId' in narrow)
    return 'caseId' in wide && 'caseId' in narrow && wide.caseId === narrow.caseId
  return wide.kind === narrow.kind && (wide.from === null || (narrow.from !== null && narrow.from >= wide.from))
}

const nameOf = (target: Target): string => ('caseId' in target ? 'that case' : kindsWords([target.kind]).toLowerCase())

function saidOf(names: readonly string[], isAll: boolean): string | null {
  if (names.length === 0) return null
  return isAll
    ? 'An earlier sentence says otherwise of all of it, and wins.'
    : `An earlier sentence wins for ${names.join(', ')}.`
}

function saidOfKinds(kinds: readonly EventKind[], before: readonly EventKind[]): string | null {
  const said = kinds.filter((kind) => before.includes(kind))
  return saidOf(
    said.map((kind) => kindsWords([kind]).toLowerCase()),
    said.length === kinds.length && said.length > 0,
  )
}

/** Why a sentence does nothing in this box; null: it does something. */
function emptyOf(sentence: Sentence, alerts: readonly Alert[]): string | null {
  const alertFor = (kind: EventKind) => alerts.find(({ kinds, isOn }) => isOn && kinds.includes(kind))
  if (sentence.rule === 'merge') {
    const without = sentence.kinds.filter((kind) => {
      const alert = alertFor(kind)
      return alert !== undefined && severalCases(alert).length === 0
    })
    return without.length === 0
      ? null
      : `${kindsWords(without)} stay alone: their alert has no case for several at once yet. Make one in the box, under its cases.`
  }
  if (sentence.rule === 'gifts' && !alertFor('giftBatch'))
    return 'This box shows no gifts, so that nothing takes them in.'
  if (sentence.rule === 'order' && sentence.of.every((each) => 'kind' in each && !alertFor(each.kind)))
    return 'This box shows none of it.'
  return null
}
