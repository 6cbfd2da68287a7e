import { localMoment, momentAt } from '../time/localMoment.ts'
import { foldCase } from '../text/foldCase.ts'
import { inputFault } from './inputFault.ts'
import type { Gate, WhoTest } from './schema.ts'
import type { GateState, Reservation, ViewerUses, Vote } from './state.ts'

/** Who asks, with what, and when. */
export interface GateAsk {
  isArmed: boolean
  viewer: GateViewer
  /** What the viewer typed; empty where nothing was asked. */
  input: string
  /** Whether the speech desk blocks a word of it. A choice is among the channel's own words, whatever they are. */
  isBlocked: boolean
  /** The wall clock. */
  nowMs: number
  timeZone: string
  /** When this stream began. */
  streamMs: number
  /** What the studio shows; null where none is linked. */
  scene: string | null
  /** The viewer's points of the channel. */
  balance: number
}

/** Whoever sets a trigger off, as far as gates ask. A hand of the channel's own has no tests to pass. */
export interface GateViewer {
  id: string
  name: string
  roles: readonly string[]
  /** Null where the viewer is no subscriber, or nobody has said. */
  tier: number | null
  months: number | null
  isFirstTime: boolean
}

export const refusals = [
  'disarmed',
  'hours',
  'scene',
  'who',
  'input',
  'cooldown',
  'viewerCooldown',
  'streamLimit',
  'viewerLimit',
  'stock',
  'votes',
  'cost',
] as const
export type Refusal = (typeof refusals)[number]

/** What a gate says. `retryAtMs`: when the same viewer may be let through at the earliest; null where waiting does not help or nobody knows. */
export type GateAnswer =
  | { is: 'allowed'; reserved: Reservation }
  | { is: 'refused'; reason: Refusal; detail: string; retryAtMs: number | null }

export interface GateResult {
  answer: GateAnswer
  state: GateState
  viewer: ViewerUses
}

/**
 * Asks a gate: whether it is armed, hours and scene, who, what was typed, cooldown for all and for this viewer, limits of
 * the stream for all and for this viewer, stock, votes, cost, in this order; the first that says no is the answer.
 * Allowed, it reserves what the use takes (`settled` where its run begins, `released` where it never does). Asking
 * without keeping the states that come back charges nothing.
 *
 * A clock that jumped back is met by moving what lies in the future to now: a cooldown is waited for again from there, and
 * nobody waits longer than that. Pure. Cost: linear in the votes.
 */
export function askGate(gate: Gate, ask: GateAsk, keptState: GateState, keptViewer: ViewerUses): GateResult {
  const { nowMs } = ask
  const state = currentState(keptState, ask, gate)
  const viewer = currentViewer(keptViewer, ask)
  const refused = (reason: Refusal, detail = '', retryAtMs: number | null = null): GateResult => ({
    answer: { is: 'refused', reason, detail, retryAtMs },
    state,
    viewer,
  })
  if (!ask.isArmed) return refused('disarmed')
  const opensAtMs = opensAt(gate, ask)
  if (opensAtMs !== null) return refused('hours', '', opensAtMs)
  if (gate.scenes && (ask.scene === null || !gate.scenes.includes(ask.scene)))
    return refused('scene', gate.scenes.join(', '))
  const missing = whoMissing(gate, ask.viewer)
  if (missing !== null) return refused('who', missing)
  const fault = inputFault(gate.asked, ask.input, ask.isBlocked)
  if (fault !== null) return refused('input', fault)
  const allUntil = untilMs(state.lastMs, gate.againAfter.allMs)
  if (nowMs < allUntil) return refused('cooldown', '', allUntil)
  const viewerUntil = untilMs(viewer.lastMs, gate.againAfter.viewerMs)
  if (nowMs < viewerUntil) return refused('viewerCooldown', '', viewerUntil)
  if (gate.perStream.all !== null && state.uses >= gate.perStream.all) return refused('streamLimit')
  if (gate.perStream.viewer !== null && viewer.uses >= gate.perStream.viewer) return refused('viewerLimit')
  if (state.left !== null && state.left <= 0) return refused('stock')
  const votes = gate.votes ? withVote(state.votes, ask.viewer.id, nowMs) : state.votes
  if (gate.votes && votes.length < gate.votes.needed)
    return {
      answer: { is: 'refused', reason: 'votes', detail: `${votes.length} of ${gate.votes.needed}`, retryAtMs: null },
      state: { ...state, votes },
      viewer,
    }
  // The votes stay given: whoever has too little may find somebody who has enough.
  if (ask.balance < gate.cost)
    return { ...refused('cost', String(gate.cost - ask.balance)), state: { ...state, votes } }
  return {
    answer: {
      is: 'allowed',
      reserved: {
        viewerId: ask.viewer.id,
        atMs: nowMs,
        streamMs: ask.streamMs,
        cost: gate.cost,
        takesStock: state.left !== null,
        before: { allMs: state.lastMs, viewerMs: viewer.lastMs, votes },
      },
    },
    state: {
      lastMs: nowMs,
      uses: state.uses + 1,
      streamMs: ask.streamMs,
      left: state.left === null ? null : state.left - 1,
      votes: [],
    },
    viewer: { lastMs: nowMs, uses: viewer.uses + 1, streamMs: ask.streamMs },
  }
}

/** Until when a cooldown lasts. */
const untilMs = (lastMs: number | null, waitMs: number) => (lastMs === null ? -Infinity : lastMs + waitMs)

/** The state as it is now: another stream counts anew, votes grow old, and nothing lies in the future. */
function currentState(kept: GateState, { nowMs, streamMs }: GateAsk, gate: Gate): GateState {
  const votes = gate.votes ? kept.votes.map((vote) => (vote.atMs > nowMs ? { ...vote, atMs: nowMs } : vote)) : []
  const sinceMs = nowMs - (gate.votes?.withinMs ?? 0)
  return {
    lastMs: notLater(kept.lastMs, nowMs),
    uses: kept.streamMs === streamMs ? kept.uses : 0,
    streamMs,
    left: gate.stock === null ? null : (kept.left ?? gate.stock),
    votes: votes.filter(({ atMs }) => atMs >= sinceMs),
  }
}

const currentViewer = (kept: ViewerUses, { nowMs, streamMs }: GateAsk): ViewerUses => ({
  lastMs: notLater(kept.lastMs, nowMs),
  uses: kept.streamMs === streamMs ? kept.uses : 0,
  streamMs,
})

const notLater = (atMs: number | null, nowMs: number) => (atMs === null ? null : Math.min(atMs, nowMs))

const withVote = (votes: readonly Vote[], viewerId: string, atMs: number): readonly Vote[] =>
  votes.some((vote) => vote.viewerId === viewerId) ? votes : [...votes, { viewerId, atMs }]

/** When the hours begin that a gate waits for; null where they are now. */
function opensAt({ hours }: Gate, { nowMs, timeZone }: GateAsk): number | null {
  if (!hours) return null
  const { minute, weekday, day } = localMoment(nowMs, timeZone)
  const { from, until, weekdays } = hours
  const isOn = (of: number) => weekdays.includes(((of % 7) + 7) % 7)
  // Over midnight the morning belongs to the evening before.
  const isNight = from > until && ((isOn(weekday) && minute >= from) || (isOn(weekday - 1) && minute < until))
  const isDay = from <= until && isOn(weekday) && (from === until || (minute >= from && minute < until))
  const isOpen = isNight || isDay
  if (isOpen) return null
  const opens = from === until ? 0 : from
  for (let ahead = 0; ahead <= 7; ahead++) {
    if (!isOn(weekday + ahead)) continue
    const atMs = momentAt(day + ahead, opens, timeZone)
    if (atMs > nowMs) return atMs
  }
  return null
}

/** What a viewer lacks, in words; null where nothing is. */
function whoMissing({ who }: Gate, viewer: GateViewer): string | null {
  if (!who) return null
  const failed = who.of.filter((test) => !passes(test, viewer))
  const isThrough = who.match === 'all' ? failed.length === 0 : failed.length < who.of.length
  return isThrough ? null : failed.map(whoWords).join(who.match === 'all' ? ' and ' : ' or ')
}

function passes(test: WhoTest, viewer: GateViewer): boolean {
  switch (test.is) {
    case 'role':
      return viewer.roles.includes(test.role)
    case 'tier':
      return viewer.tier !== null && viewer.tier >= test.atLeast
    case 'months':
      return viewer.months !== null && viewer.months >= test.atLeast
    case 'firstTime':
      return viewer.isFirstTime
    case 'named':
      return test.names.some((name) => foldCase(name) === foldCase(viewer.name))
  }
}

/** Who passes a test, as it stands in a sentence. */
export function whoWords(test: WhoTest): string {
  switch (test.is) {
    case 'role':
      return { subscriber: 'subscribers', vip: 'VIPs', moderator: 'moderators' }[test.role]
    case 'tier':
      return test.atLeast === 1 ? 'subscribers' : `subscribers of tier ${test.atLeast} and up`
    case 'months':
      return `subscribers of ${test.atLeast} months and longer`
    case 'firstTime':
      return 'whoever does it for the first time'
    case 'named':
      return test.names.join(', ')
  }
}
