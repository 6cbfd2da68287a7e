import type { EventKind } from '../events/kinds.ts'
import { bringsMoney } from '../events/moneyKinds.ts'
import type { BoxPolicy, RuleName, Sentence, SentenceOf } from '../queue/policy.ts'
import type { DecidedEvent } from './decideNight.ts'

/** One sentence of a policy that is changed, or put behind the others. */
export interface PolicyChange {
  /** Which sentence; null: a new one. */
  at: number | null
  sentence: Sentence
}

/** What of a night a policy is judged by. */
export interface Judged {
  p95Ms: number
  merged: number
  letGo: number
  shortened: number
}

/** A change of the policy, and what it does to the night, with those before it. */
export interface AdviceStep {
  change: PolicyChange
  before: Judged
  after: Judged
}

export interface Advice {
  /** As the policy is. */
  now: Judged
  /** The smallest change found, in the order in which it does most; empty: nothing has to be changed, or nothing helps. */
  steps: AdviceStep[]
  policy: BoxPolicy
  /** Whether so nineteen of twenty wait no longer than is asked. */
  isReached: boolean
  /** What would help as well, each by itself. */
  others: AdviceStep[]
  tried: number
}

/** A kind that came fewer times than that is no reason for a sentence of its own. */
const manyFrom = 5
const togetherMs = 10_000
const longerTogetherMs = 30_000
/** What brings as much or more in money keeps an alert of its own, in minor units. */
const ownFrom = 1_000
const ageLimits = [180_000, 60_000]
const pressedFrom = 8
const soonPressedFrom = 3
const usualGapMs = 400
const kindsMost = 5
const stepsMost = 3
const othersMost = 2

/** What could be changed about a policy for this night: only what has something to act on. */
export function changesFor(policy: BoxPolicy, decided: readonly DecidedEvent[]): PolicyChange[] {
  const on = <R extends RuleName>(rule: R) =>
    policy.flatMap((each, at) => (each.rule === rule && each.isOn ? [{ at, sentence: each as SentenceOf<R> }] : []))
  const changes: PolicyChange[] = []
  const facts = decided.flatMap(({ arrival }) => arrival?.ticket.facts ?? [])
  if (on('gifts').length === 0 && facts.some(({ gifts }) => gifts !== null && !gifts.isHead))
    changes.push({ at: null, sentence: { rule: 'gifts', isOn: true } })

  const shared = new Map<EventKind, number>()
  for (const { kind, several } of facts) if (several) shared.set(kind, (shared.get(kind) ?? 0) + 1)
  const merges = on('merge')
  const often = [...shared].filter(([, count]) => count >= manyFrom).sort(([, a], [, b]) => b - a)
  for (const [kind] of often.slice(0, kindsMost)) {
    if (merges.some(({ sentence }) => sentence.kinds.includes(kind))) continue
    const below = bringsMoney(kind) ? ownFrom : null
    changes.push({
      at: null,
      sentence: { rule: 'merge', isOn: true, kinds: [kind], withinMs: togetherMs, below, isEvenWritten: false },
    })
  }
  for (const { at, sentence } of merges)
    if (sentence.withinMs < longerTogetherMs && sentence.kinds.some((kind) => (shared.get(kind) ?? 0) >= manyFrom))
      changes.push({ at, sentence: { ...sentence, withinMs: longerTogetherMs } })

  const [elastic] = on('elastic')
  if (!elastic)
    changes.push({ at: null, sentence: { rule: 'elastic', isOn: true, waiting: pressedFrom, lastMs: null } })
  else if (elastic.sentence.waiting > soonPressedFrom)
    changes.push({ at: elastic.at, sentence: { ...elastic.sentence, waiting: soonPressedFrom } })

  const [airtime] = on('airtime')
  if (airtime && airtime.sentence.percent < 100)
    changes.push({ at: airtime.at, sentence: { ...airtime.sentence, isOn: false } })
  const [gap] = on('gap')
  if (gap && gap.sentence.ms > usualGapMs) changes.push({ at: gap.at, sentence: { ...gap.sentence, ms: usualGapMs } })

  const age = on('age').find(({ sentence }) => sentence.kinds === null)
  for (const ms of ageLimits)
    if (!age) changes.push({ at: null, sentence: { rule: 'age', isOn: true, kinds: null, ms } })
    else if (age.sentence.ms > ms) changes.push({ at: age.at, sentence: { ...age.sentence, ms } })
  return changes
}

export function withChanges(policy: BoxPolicy, changes: readonly PolicyChange[]): BoxPolicy {
  const changed = policy.map((sentence, at) => changes.findLast((each) => each.at === at)?.sentence ?? sentence)
  return [...changed, ...changes.flatMap(({ at, sentence }) => (at === null ? [sentence] : []))]
}

/** What nobody sees any more is the dearest, then what many share, then what is shorter. */
const costOf = ({ merged, letGo, shortened }: Judged) => letGo * 100 + merged * 10 + shortened

/** Two that say different things of the same cannot both be said. */
const areAtOdds = (changes: readonly PolicyChange[]) =>
  new Set(changes.map(({ at, sentence }) => (at === null ? keyOf(sentence) : at))).size < changes.length
const keyOf = (sentence: Sentence) => (sentence.rule === 'merge' ? `merge ${sentence.kinds.join()}` : sentence.rule)
const letsGo = ({ sentence }: PolicyChange) => sentence.rule === 'age'

/**
 * The smallest change of a policy that keeps nineteen of twenty waits of a night under what is asked: of the fewest sentences,
 * then what costs viewers least; letting go only where nothing else does it, and then what costs least of all. Every choice of up to three of the changes is
 * tried, each by playing the night: of n changes n + n²/2 + n³/6 times at most. Where none reaches it, what comes nearest. Nothing
 * is ever advised that makes the nineteen of twenty wait longer.
 * @param judge plays the night under a policy
 */
export function advise(
  policy: BoxPolicy,
  changes: readonly PolicyChange[],
  targetMs: number,
  judge: (policy: BoxPolicy) => Judged,
  onTried: (tried: number, most: number) => void = () => undefined,
): Advice {
  const now = judge(policy)
  let tried = 1
  const nothing: Advice = { now, steps: [], policy, isReached: now.p95Ms <= targetMs, others: [], tried }
  if (nothing.isReached || changes.length === 0) return nothing
  const choices = Array.from({ length: stepsMost }, (_, size) => choose(changes, size + 1)).map((list) =>
    list.filter((each) => !areAtOdds(each)),
  )
  const most = 1 + choices.reduce((sum, each) => sum + each.length, 0)
  type Found = { chosen: readonly PolicyChange[]; judged: Judged }
  const all: Found[] = []
  const tryOut = (chosen: readonly PolicyChange[]): Found => {
    tried += 1
    onTried(tried, most)
    return { chosen, judged: judge(withChanges(policy, chosen)) }
  }
  const reaching = () => all.filter(({ judged }) => judged.p95Ms <= targetMs)
  let best: Found | null = null
  for (const list of choices) {
    all.push(...list.map(tryOut))
    best = cheapest(reaching().filter(({ chosen }) => !chosen.some(letsGo)))
    if (best) break
  }
  // Letting go was kept in hand, should nothing gentler do it.
  best ??= cheapest(reaching())
  const isReached = best !== null
  best ??= all.reduce<Found | null>(
    (nearest, each) => (each.judged.p95Ms < (nearest?.judged.p95Ms ?? now.p95Ms) ? each : nearest),
    null,
  )
  if (!best) return { ...nothing, tried }
  const { chosen, judged } = best

  // In the order in which each does most with those before it: every part of a choice was tried before the whole.
  const steps: AdviceStep[] = []
  for (let left = chosen; left.length > 0;) {
    const taken = steps.map(({ change }) => change)
    const next = left
      .map((change) => ({
        change,
        after: all.find((each) => isSameChoice(each.chosen, [...taken, change]))?.judged ?? judged,
      }))
      .reduce((a, b) => (b.after.p95Ms < a.after.p95Ms ? b : a))
    steps.push({ ...next, before: steps.at(-1)?.after ?? now })
    left = left.filter((each) => each !== next.change)
  }
  const others = all
    .flatMap(({ chosen: [change, ...more], judged: after }) =>
      change && more.length === 0 && !chosen.includes(change) ? [{ change, before: now, after }] : [],
    )
    .filter(({ after }) => after.p95Ms < now.p95Ms)
    .sort((a, b) => a.after.p95Ms - b.after.p95Ms || costOf(a.after) - costOf(b.after))
    .slice(0, othersMost)
  return { now, steps, policy: withChanges(policy, chosen), isReached, others, tried }
}

const cheapest = <T extends { judged: Judged }>(found: readonly T[]): T | null =>
  found.reduce<T | null>((a, b) => (a === null || costOf(b.judged) < costOf(a.judged) ? b : a), null)

const isSameChoice = (a: readonly PolicyChange[], b: readonly PolicyChange[]) =>
  a.length === b.length && a.every((each) => b.includes(each))

/** All choices of so many, in order. */
function choose<T>(of: readonly T[], size: number): T[][] {
  if (size === 0) return [[]]
  return of.flatMap((each, at) => choose(of.slice(at + 1), size - 1).map((rest) => [each, ...rest]))
}
