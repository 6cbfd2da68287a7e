import fc from 'fast-check'
import type { PlayFacts } from '../../core/queue/facts.ts'
import type { BoxPolicy, Sentence } from '../../core/queue/policy.ts'
import type { QueueInput } from '../../core/queue/state.ts'
import type { Ticket } from '../../core/queue/ticket.ts'

/** A play as most are: a follow that nobody has to look at. */
export const plainFacts: PlayFacts = {
  kind: 'follow',
  alertId: 'follow',
  variationId: 'follow-everyday',
  amount: null,
  hasWords: false,
  isFlagged: false,
  gifts: null,
  shortestMs: 3000,
  several: { lengthMs: 6000, shortestMs: 4000 },
  isOnlyHeard: false,
  isTest: false,
}

export const playOf = (
  playId: string,
  enqueuedAtMs: number,
  facts: Partial<PlayFacts> = {},
  ticket: Partial<Ticket> = {},
): Ticket => ({ playId, enqueuedAtMs, lengthMs: 5000, facts: { ...plainFacts, ...facts }, ...ticket })

export const comes = (...tickets: Ticket[]): QueueInput => ({ type: 'enqueued', tickets })

const kinds = ['follow', 'tip', 'raid', 'giftBatch', 'giftRecipient', 'applause'] as const
const someKinds = fc.subarray([...kinds], { minLength: 1 })

export const anyFacts: fc.Arbitrary<PlayFacts> = fc
  .record({
    kind: fc.constantFrom(...kinds),
    amount: fc.option(fc.integer({ min: 1, max: 5000 })),
    hasWords: fc.boolean(),
    isFlagged: fc.boolean(),
    gifts: fc.integer({ min: 0, max: 3 }),
    shortestMs: fc.integer({ min: 1000, max: 4000 }),
    isShared: fc.boolean(),
    isOnlyHeard: fc.integer({ min: 0, max: 9 }).map((lot) => lot === 0),
    isTest: fc.integer({ min: 0, max: 9 }).map((lot) => lot === 0),
  })
  .map(({ gifts, isShared, ...facts }) => ({
    ...facts,
    alertId: facts.kind,
    variationId: `${facts.kind}-everyday`,
    gifts:
      facts.kind === 'giftBatch' || facts.kind === 'giftRecipient'
        ? { id: `g${gifts}`, isHead: facts.kind === 'giftBatch', promised: facts.kind === 'giftBatch' ? 5 : 0 }
        : null,
    several: isShared ? { lengthMs: 6000, shortestMs: 4000 } : null,
  }))

const isOn = fc.constant(true)

export const anySentence: fc.Arbitrary<Sentence> = fc.oneof(
  fc.record({ rule: fc.constant('gap' as const), isOn, ms: fc.integer({ min: 0, max: 3000 }) }),
  fc.record({
    rule: fc.constant('order' as const),
    isOn,
    of: fc.array(fc.record({ kind: fc.constantFrom(...kinds), from: fc.option(fc.integer({ min: 1, max: 4000 })) }), {
      minLength: 1,
      maxLength: 3,
    }),
    steps: fc.integer({ min: -2, max: 2 }),
  }),
  fc.record({
    rule: fc.constant('merge' as const),
    isOn,
    kinds: someKinds,
    withinMs: fc.integer({ min: 1000, max: 30_000 }),
    below: fc.option(fc.integer({ min: 1, max: 4000 })),
    isEvenWritten: fc.boolean(),
  }),
  fc.record({ rule: fc.constant('gifts' as const), isOn }),
  fc.record({
    rule: fc.constant('elastic' as const),
    isOn,
    waiting: fc.integer({ min: 1, max: 8 }),
    lastMs: fc.option(fc.integer({ min: 5000, max: 60_000 })),
  }),
  fc.record({ rule: fc.constant('airtime' as const), isOn, percent: fc.integer({ min: 10, max: 90 }) }),
  fc.record({
    rule: fc.constant('age' as const),
    isOn,
    kinds: fc.option(someKinds),
    ms: fc.integer({ min: 5000, max: 120_000 }),
  }),
  fc.record({
    rule: fc.constant('beside' as const),
    isOn,
    kinds: fc.subarray([...kinds]),
    atMost: fc.integer({ min: 1, max: 3 }),
  }),
  fc.record({
    rule: fc.constant('quiet' as const),
    isOn,
    when: fc.constant({ is: 'held' as const }),
    does: fc.constantFrom('collect' as const, 'letGo' as const),
  }),
  fc.record({
    rule: fc.constant('approve' as const),
    isOn,
    kinds: fc.subarray([...kinds]),
    isFlagged: fc.boolean(),
    withinMs: fc.integer({ min: 5000, max: 60_000 }),
  }),
  fc.record({ rule: fc.constant('room' as const), isOn, atMost: fc.integer({ min: 1, max: 30 }) }),
)

export const anyPolicy: fc.Arbitrary<BoxPolicy> = fc.array(anySentence, { maxLength: 10 })

/** What people do at a desk while a night goes on. */
const anyAct: fc.Arbitrary<(playId: string) => QueueInput> = fc.constantFrom<((playId: string) => QueueInput)[]>(
  (playId) => ({ type: 'removed', playId, outcome: 'skipped', reason: 'skipped by tallowmoth' }),
  (playId) => ({ type: 'movedUp', playId }),
  (playId) => ({ type: 'judged', playId, isLet: true, reason: '' }),
  (playId) => ({ type: 'judged', playId, isLet: false, reason: 'not let by tallowmoth' }),
  (playId) => ({ type: 'released', playId }),
  (playId) => ({ type: 'stalled', playId, reason: 'the database does not answer' }),
  (playId) => ({ type: 'measured', playId, lengthMs: 7000 }),
  () => ({ type: 'held', isHeld: true }),
  () => ({ type: 'held', isHeld: false }),
  () => ({ type: 'quieted', quiet: { does: 'collect', why: '“Back in five” is shown' } }),
  () => ({ type: 'quieted', quiet: { does: 'letGo', why: '“Back in five” is shown' } }),
  () => ({ type: 'quieted', quiet: null }),
  () => ({ type: 'policyChanged' }),
  () => ({ type: 'cleared', reason: 'cleared by tallowmoth' }),
  () => ({ type: 'putBack' }),
)

interface NightPlan {
  /** Somebody is at the desk. */
  hasActs: boolean
}

/** Plays that come, and what is done meanwhile; at the end nothing is held. */
export const anyNight = ({ hasActs }: NightPlan) =>
  fc
    .array(
      fc.record({
        afterMs: fc.oneof(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 20_000 })),
        facts: anyFacts,
        isAwaiting: fc.integer({ min: 0, max: 9 }).map((lot) => lot === 0),
        act: hasActs ? fc.option(anyAct, { freq: 2 }) : fc.constant(null),
        who: fc.nat(),
      }),
      { minLength: 1, maxLength: 60 },
    )
    .map((all) => {
      let atMs = 1_000_000
      const tickets: Ticket[] = []
      const inputs = all.map(({ afterMs, facts, isAwaiting, act, who }): [number, QueueInput] => {
        atMs += afterMs
        if (act) return [atMs, act(`p${who % Math.max(1, tickets.length)}`)]
        const ticket = { ...playOf(`p${tickets.length}`, atMs, facts), isAwaiting }
        tickets.push(ticket)
        return [atMs, comes(ticket)]
      })
      inputs.push([atMs + 1, { type: 'held', isHeld: false }], [atMs + 1, { type: 'quieted', quiet: null }])
      return { inputs, tickets }
    })

/** A policy with a sentence of every rule, and of every form that a sentence has. */
export const fullPolicy: BoxPolicy = [
  { rule: 'gap', isOn: true, ms: 900 },
  {
    rule: 'order',
    isOn: true,
    of: [{ kind: 'raid', from: null }, { kind: 'tip', from: 2000 }, { caseId: 'x' }],
    steps: 2,
  },
  { rule: 'merge', isOn: true, kinds: ['follow', 'tip'], withinMs: 10_000, below: 500, isEvenWritten: false },
  { rule: 'gifts', isOn: true },
  { rule: 'elastic', isOn: true, waiting: 6, lastMs: 60_000 },
  { rule: 'airtime', isOn: true, percent: 50 },
  { rule: 'age', isOn: true, kinds: null, ms: 180_000 },
  { rule: 'age', isOn: true, kinds: ['follow'], ms: 60_000 },
  { rule: 'beside', isOn: true, kinds: ['applause'], atMost: 2 },
  { rule: 'quiet', isOn: true, when: { is: 'hours', from: 60, until: 120 }, does: 'collect' },
  { rule: 'quiet', isOn: true, when: { is: 'scenes', scenes: ['Back in five'] }, does: 'letGo' },
  { rule: 'quiet', isOn: true, when: { is: 'held' }, does: 'letGo' },
  { rule: 'approve', isOn: true, kinds: ['raid'], isFlagged: true, withinMs: 60_000 },
  { rule: 'room', isOn: true, atMost: 500 },
]
