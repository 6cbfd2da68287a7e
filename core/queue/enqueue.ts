import type { Aside, Place, Waiting } from './line.ts'
import { letsGoWhileHeld, type QueuePolicy } from './policy.ts'
import { ageAtMs, ageLimitMs } from './rules/age.ts'
import { approvalFor } from './rules/approve.ts'
import { isHeardBeside } from './rules/beside.ts'
import { announcedWithinMs } from './rules/gifts.ts'
import { mergeFor, mergeKeyOf, withMember } from './rules/merge.ts'
import { priorityOf, rankOf } from './rules/order.ts'
import type { QueueCommand, QueueState, StepResult } from './state.ts'
import type { Ticket } from './ticket.ts'

/**
 * Plays come into the line, in this order. Each is let go, is taken in by one that waits, waits aside for somebody's word, or
 * takes its place. The line is bounded: where it is full, those that matter least and came first give way, and the log says so.
 */
export function enqueue(
  before: QueueState,
  tickets: readonly Ticket[],
  nowMs: number,
  policy: QueuePolicy,
): StepResult {
  const commands: QueueCommand[] = []
  let state = before
  for (const ticket of tickets) {
    if (isKnown(state, ticket.playId)) continue
    state = come(state, ticket, nowMs, policy, commands)
    state = makeRoom(state, policy, commands)
  }
  return { state, commands }
}

const isKnown = ({ line, cleared, current, beside }: QueueState, playId: string): boolean =>
  line.find(playId) !== null ||
  (cleared?.line.find(playId) ?? null) !== null ||
  current?.ticket.playId === playId ||
  beside.some(({ ticket }) => ticket.playId === playId)

function come(
  state: QueueState,
  ticket: Ticket,
  nowMs: number,
  policy: QueuePolicy,
  commands: QueueCommand[],
): QueueState {
  const why = letGoBecause(state, policy)
  if (why !== null) {
    commands.push(endOf(ticket.playId, 'expired', why))
    return state
  }
  const taken = takenByGifts(state, ticket, policy, commands)
  if (taken) return taken
  const aside = asideOf(state, ticket, policy)
  const place = placeOf(ticket, bornMs(state, ticket.enqueuedAtMs, nowMs), policy, aside)
  const head = aside ? null : headFor(state, ticket, place, policy)
  if (head) commands.push(mergedInto(head, ticket))
  const line = head ? state.line.changed(head, withMember(head.ticket, ticket)) : state.line.with(ticket, place)
  return announce({ ...state, line }, ticket, head?.ticket.playId ?? ticket.playId, policy, commands)
}

/** Why whatever comes now is let go; null: it is not. */
function letGoBecause({ quiet, isHeld }: QueueState, policy: QueuePolicy): string | null {
  if (quiet?.does === 'letGo') return `let go, as it was quiet: ${quiet.why}`
  return isHeld && letsGoWhileHeld(policy) ? 'let go, as the line was held' : null
}

/** When a play came into the world, by the age clock: however old it is already, it became while that went. */
export const bornMs = ({ ages }: Pick<QueueState, 'ages'>, fromMs: number, nowMs: number): number =>
  ageAtMs(ages, nowMs) - Math.max(0, nowMs - fromMs)

/** Where a play stands, by the policy. */
export function placeOf(ticket: Ticket, born: number, policy: QueuePolicy, aside: Aside | null): Place {
  const facts = ticket.facts ?? null
  const priority = priorityOf(facts, policy.orders)
  return {
    priority,
    rankMs: rankOf(ticket.enqueuedAtMs, priority),
    bornMs: born,
    deadlineMs: born + ageLimitMs(facts, policy.ages),
    aside,
    isBeside: isHeardBeside(facts, policy.beside),
    mergeKey: facts && mergeFor(facts, policy.merges) ? mergeKeyOf(facts, priority) : null,
  }
}

function asideOf(
  { groups }: QueueState,
  { enqueuedAtMs, facts, isAwaiting }: Ticket,
  policy: QueuePolicy,
): Aside | null {
  const approval = approvalFor(facts ?? null, policy.approves)
  if (approval) return { for: 'showing', untilMs: enqueuedAtMs + approval.withinMs }
  if (isAwaiting) return { for: 'reading', untilMs: enqueuedAtMs + policy.approvalMaxMs }
  const gifts = policy.takesGifts ? facts?.gifts : null
  return gifts && !gifts.isHead && !groups.find(gifts.id)
    ? { for: 'gifts', untilMs: enqueuedAtMs + announcedWithinMs }
    : null
}

/** Who waits and may be joined; null where nobody does. */
function headFor(state: QueueState, ticket: Ticket, { mergeKey }: Place, policy: QueuePolicy): Waiting | null {
  const sentence = mergeFor(ticket.facts ?? null, policy.merges)
  const head = mergeKey === null ? null : state.line.headOf(mergeKey)
  return sentence && head && ticket.enqueuedAtMs - head.ticket.enqueuedAtMs <= sentence.withinMs ? head : null
}

/** Who received a gift is taken in by what announced the gifts, whether that waits, is shown or is over. */
function takenByGifts(
  state: QueueState,
  ticket: Ticket,
  { takesGifts }: QueuePolicy,
  commands: QueueCommand[],
): QueueState | null {
  const gifts = takesGifts ? ticket.facts?.gifts : null
  const group = gifts && !gifts.isHead ? state.groups.find(gifts.id) : null
  if (!group) return null
  commands.push({ ...endOf(ticket.playId, 'merged', 'told with the gifts it is one of'), into: group.playId })
  const head = state.line.find(group.playId)
  const brought = group.brought + 1
  return {
    ...state,
    groups: state.groups.brought(group),
    line: head ? state.line.changed(head, { ...head.ticket, brought }) : state.line,
  }
}

/** Gifts are announced: those who received them and were told of before are taken in. */
function announce(
  state: QueueState,
  ticket: Ticket,
  /** What shows it: itself, or what it has joined. */
  playId: string,
  policy: QueuePolicy,
  commands: QueueCommand[],
): QueueState {
  const gifts = policy.takesGifts ? ticket.facts?.gifts : null
  if (!gifts?.isHead) return state
  let after: QueueState = {
    ...state,
    groups: state.groups.announced({ giftsId: gifts.id, playId }),
  }
  for (const { ticket: member } of state.line.orphansOf(gifts.id)) {
    after = { ...after, line: after.line.without(member.playId) }
    after = takenByGifts(after, member, policy, commands) ?? after
  }
  return after
}

function makeRoom(state: QueueState, { waitingMax }: QueuePolicy, commands: QueueCommand[]): QueueState {
  let { line } = state
  while (line.size > waitingMax) {
    const least = line.least
    if (!least) break
    commands.push(endOf(least.ticket.playId, 'expired', `more than ${waitingMax} were waiting`))
    line = line.without(least.ticket.playId)
  }
  return line === state.line ? state : { ...state, line }
}

/** The end of a play that nobody was shown. */
export const endOf = (
  playId: string,
  outcome: Extract<QueueCommand, { type: 'recordEnded' }>['outcome'],
  reason: string,
): Extract<QueueCommand, { type: 'recordEnded' }> => ({ type: 'recordEnded', playId, outcome, reason, shownCount: 0 })

const mergedInto = ({ ticket }: Waiting, member: Ticket): QueueCommand => ({
  ...endOf(member.playId, 'merged', 'shown with others'),
  into: ticket.playId,
})
