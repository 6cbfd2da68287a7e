import { sampleEvent } from '../events/sampleEvent.ts'
import type { EventKind } from '../events/kinds.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { targetsOf, type Goal } from '../goal/schema.ts'
import type { GoalSlice, Row, Slice } from './slice.ts'
import { chatRow } from './chatRow.ts'
import { eventRow } from './eventRow.ts'
import { sponsorRow } from './sponsorRow.ts'
import { topRows } from './topRows.ts'
import type { Want } from './want.ts'

/** How a board is looked at while it is composed: standing, and while something changes. */
export const boardStates = ['nothing', 'one', 'usual', 'full', 'arrives', 'reached'] as const
export type BoardState = (typeof boardStates)[number]

/** What bars that are made up show of a goal. */
interface MadeUpGoal {
  id: string
  title: string
  targets: number[]
  isMoney: boolean
}
export const goalForMadeUp = (goal: Goal): MadeUpGoal => ({
  ...{ id: goal.id, title: goal.title, targets: targetsOf(goal) },
  isMoney: goal.measure.of === 'money',
})

/** What is made up needs to know of the channel. */
export interface MadeUpContext {
  nowMs: number
  currency: string
  locale: string
  /** The goal that a bar shows, where there is one: its own title and target are shown. */
  goals: readonly MadeUpGoal[]
}

const viewers = [
  'pip_rye',
  'Tomé Brandão',
  'caraway_owl',
  'sootkettle',
  'InêsDaPadaria',
  'Zoë',
  'MarrowHat',
  'Juno Flint',
  "O'Malt",
  'kneadybeast',
  '毛毛面包',
  'نورا_خبز',
  '🥐wisp',
]
const longest = 'the_person_with_an_exceptionally_long_display_name'
const said = [
  'bom dia!',
  'is that the rye?',
  'it is, 12 more minutes',
  '🥐🥐',
  'o pão de centeio é o melhor da noite',
  'save me a slice',
  'good evening from the night shift',
  '<b>bold</b> as ever',
]
const longMessage =
  'I have been watching since the very first batch came out of this oven and I still cannot decide between the rye and the long ferment with the walnuts, so please bake both of them again tomorrow and save me a slice of each, thank you all, aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa'

const sponsorWords = ['tonight’s flour comes from the Sorrel mill', 'boxes that keep bread warm: Quayside boxes']

/** How many rows a list has in each state, of those that it may have. */
const countIn: Record<BoardState, (most: number) => number> = {
  nothing: () => 0,
  one: () => 1,
  usual: (most) => Math.max(1, Math.ceil(most * 0.6)),
  full: (most) => most,
  arrives: (most) => Math.max(1, Math.ceil(most * 0.6)),
  reached: (most) => Math.max(1, Math.ceil(most * 0.6)),
}
const ratioIn: Record<BoardState, number> = {
  nothing: 0,
  one: 0.04,
  usual: 0.605,
  full: 1,
  arrives: 0.58,
  reached: 0.92,
}

/**
 * What parts are told that want something, in a state: one thing, or what stands before and what stands after a change. Made up,
 * the same for the same always.
 */
export function madeUp(want: Want, state: BoardState, context: MadeUpContext): Slice[] {
  const isChanging = state === 'arrives' || state === 'reached'
  switch (want.of) {
    case 'goal':
      return goalsIn(want.goalId, state, context)
    case 'count': {
      const count = { nothing: 0, one: 1, usual: 42, full: 12_345, arrives: 42, reached: 42 }[state]
      return [count, ...(isChanging ? [count + 1] : [])].map((each) => ({ of: 'count', count: each }))
    }
    case 'sponsor': {
      const line = (at: number): Row[] => {
        const words = state === 'full' ? longMessage.slice(0, 140) : (sponsorWords[at] ?? '')
        return [sponsorRow({ id: `made-up-${at}`, words, pictureUrl: null }, context.nowMs + at)]
      }
      const before: Slice = { of: 'rows', rows: state === 'nothing' ? [] : line(0), removed: [] }
      return isChanging ? [before, { of: 'rows', rows: line(1), removed: [] }] : [before]
    }
    case 'stream':
      return [{ of: 'moment', atMs: state === 'nothing' ? null : context.nowMs - 3_847_000 }]
    default: {
      const rows = rowsOf(want, state, context)
      const before: Slice = { of: 'rows', rows: rows.slice(isChanging ? 1 : 0).slice(0, want.most), removed: [] }
      return isChanging ? [before, { of: 'rows', rows: rows.slice(0, want.most), removed: [] }] : [before]
    }
  }
}

function goalsIn(goalId: string | null, state: BoardState, { currency, goals }: MadeUpContext): GoalSlice[] {
  const known = goals.find(({ id }) => id === goalId) ?? goals[0]
  const { title, targets, isMoney } = known ?? { title: 'New oven fund', targets: [100_000, 150_000], isMoney: true }
  const first = targets[0] ?? 100_000
  const at = (amount: number, last: string): GoalSlice => ({
    of: 'goal',
    goal: {
      ...{ id: 'made-up', title, amount, round: 0, daysLeft: 19, targets: [...targets] },
      currency: isMoney ? currency : null,
      target: targets.find((each) => each > amount) ?? targets.at(-1) ?? first,
      last: { name: last, amount: isMoney ? { amountMinor: 2500, currency } : 1 },
    },
  })
  const most = state === 'full' ? (targets.at(-1) ?? first) : first
  const start = Math.round(most * ratioIn[state])
  if (state === 'arrives') return [at(start, 'pip_rye'), at(start + Math.round(first * 0.025), 'Tomé Brandão')]
  if (state === 'reached') return [at(start, 'pip_rye'), at(first, 'Tomé Brandão')]
  return [at(start, state === 'full' ? longest : 'pip_rye')]
}

/** Rows of a list in a state; of one that changes, one more, the newest first. */
function rowsOf(
  want: Exclude<Want, { of: 'goal' | 'count' | 'stream' | 'sponsor' }>,
  state: BoardState,
  context: MadeUpContext,
): Row[] {
  const { nowMs, currency, locale } = context
  const isChanging = state === 'arrives' || state === 'reached'
  const count = countIn[state](want.most) + (isChanging ? 1 : 0)
  const names = Array.from({ length: count }, (_, at) =>
    state === 'full' && at % 3 === 1 ? longest : (viewers[(at + (isChanging ? 0 : 1)) % viewers.length] ?? longest),
  )
  if (want.of === 'top')
    return topRows(
      names.map((name, at) => ({
        viewerId: `${name}${at}`,
        ...{ name, currency },
        amountMinor: state === 'full' ? 123_456_700 - at * 1_000_000 : Math.round(12_000 / (at + 1)),
      })),
      count,
      { currency, rates: {}, locale },
    )
  return names.map((name, at) => {
    const id = `made-up-${count - at}`
    if (want.of === 'chat') return chatRow(chatSample(name, at, state, nowMs), id)
    const kind = want.kinds[at % want.kinds.length] ?? 'follow'
    return eventRow(sampleOf(kind, name, nowMs - at * 97_000, state === 'full'), id, want.words, locale)
  })
}

function sampleOf(kind: EventKind, name: string, atMs: number, isLarge: boolean): CanonicalEvent {
  const sample = sampleEvent(kind, isLarge ? 'longest' : 'everyday', atMs)
  const viewer = sample.data.viewer && { ...sample.data.viewer, name }
  return { ...sample, data: { ...sample.data, viewer } } as CanonicalEvent
}

function chatSample(name: string, at: number, state: BoardState, nowMs: number): CanonicalEvent {
  const isLong = state === 'full' && at % 3 === 1
  const sample = sampleEvent('chatMessage', 'everyday', nowMs - at * 4_000)
  const roles = [...(at % 5 === 0 ? ['moderator'] : []), ...(at % 3 === 1 ? ['subscriber'] : [])]
  const text = isLong ? longMessage : (said[at % said.length] ?? '')
  // Every seventh as it was made: with an emote in it.
  const message = at % 7 === 2 && !isLong ? sample.data.message : { text }
  return { ...sample, data: { viewer: { id: name, name, roles }, message } } as CanonicalEvent
}
