import type { EventKind } from '../core/events/kinds.ts'
import { sampleEvent } from '../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../core/events/schema.ts'

/** One thing in a script, with what about it is otherwise than usual. */
interface Step {
  kind: EventKind
  /** Who does it; null: somebody anonymous. */
  by: string | null
  fields?: Readonly<Record<string, unknown>>
  /** It is said to have happened so long before it is sent. */
  earlierMs?: number
  /** It is the same happening as the one before, sent once more. */
  isRepeat?: true
}

/** A stretch of a night that a simulated platform can play. */
export interface Script {
  id: string
  /** What happens, for whoever chooses it. */
  words: string
  steps: readonly Step[]
}

/** Viewers of simulated platforms. */
export const guests = [
  'pip_rye',
  'MarrowHat',
  'sootkettle',
  'Juno Flint',
  'caraway_owl',
  'Tomé Brandão',
  'InêsDaPadaria',
  '毛毛面包',
  'نورا_خبز',
  'xX_Sourdough_Sam_Xx',
  '🥐wisp',
  'O’Malt',
  'Zoë',
  'kneadybeast',
]
const person = (name: string) => ({ id: `sim-${name}`, name })
const gifts = (count: number): Step[] => [
  { kind: 'giftBatch', by: 'sootkettle', fields: { count, tier: 1, groupId: `tray-${count}` } },
  ...guests.slice(0, count).map((name): Step => ({
    kind: 'giftRecipient',
    by: 'sootkettle',
    fields: { recipient: person(name), groupId: `tray-${count}` },
  })),
]

/** What each platform can be asked to play. */
export const scripts: Readonly<Record<string, readonly Script[]>> = {
  alder: [
    { id: 'gifts', words: 'A tray of five: one batch, then each who received one', steps: gifts(5) },
    {
      id: 'surge',
      words: 'A rush hour: it starts, rises to level four, and ends',
      steps: [
        { kind: 'surgeStarted', by: null, fields: { level: 1, totalPoints: 1200 } },
        ...[2, 3, 4].map((level): Step => ({
          kind: 'surgeLevelled',
          by: null,
          fields: { level, totalPoints: 3600 * level },
        })),
        { kind: 'surgeEnded', by: null, fields: { level: 4, totalPoints: 15_800 } },
      ],
    },
  ],
  birch: [
    {
      id: 'twice',
      words: 'The same paid message, sent twice',
      steps: [
        { kind: 'paidMessage', by: 'Juno Flint' },
        { kind: 'paidMessage', by: 'Juno Flint', isRepeat: true },
      ],
    },
    {
      id: 'members',
      words: 'Two who join and one who stays',
      steps: [
        { kind: 'membership', by: 'Zoë' },
        { kind: 'membership', by: 'O’Malt' },
        { kind: 'membershipRenewal', by: 'MarrowHat', fields: { months: 12 } },
      ],
    },
  ],
  cedar: [
    {
      id: 'raid',
      words: 'A queue at the door, and twelve who follow',
      steps: [
        { kind: 'raid', by: 'caraway_owl', fields: { partySize: 64 } },
        ...guests.slice(0, 12).map((by): Step => ({ kind: 'follow', by })),
      ],
    },
    {
      id: 'disorder',
      words: 'Three tips, the oldest last',
      steps: [
        { kind: 'tip', by: 'Tomé Brandão', fields: { amountMinor: 500 } },
        { kind: 'tip', by: 'pip_rye', fields: { amountMinor: 2000 }, earlierMs: 30_000 },
        { kind: 'tip', by: 'Zoë', fields: { amountMinor: 10_000 }, earlierMs: 90_000 },
      ],
    },
  ],
  till: [
    {
      id: 'goal',
      words: 'A goal, two tips towards it, and it is reached',
      steps: [
        { kind: 'goalStarted', by: null },
        { kind: 'tip', by: 'O’Malt', fields: { amountMinor: 1500 } },
        { kind: 'tip', by: null, fields: { amountMinor: 5000 } },
        { kind: 'goalReached', by: null },
      ],
    },
  ],
}

/**
 * The events of a script with the platform's own ids of them; a repeat has the id of what it repeats. Names of groups
 * are of this run.
 */
export function played({ steps }: Script, run: string, nowMs: number): { event: CanonicalEvent; id: string }[] {
  let before = { event: sampleEvent('follow', 'everyday', nowMs), id: '' }
  return steps.map(({ kind, by, fields = {}, earlierMs = 0, isRepeat }, index) => {
    if (isRepeat) return before
    const sample = sampleEvent(kind, 'everyday', nowMs - earlierMs)
    const ofRun = 'groupId' in fields ? { groupId: `${String(fields.groupId)}-${run}` } : {}
    const data = { ...sample.data, ...fields, ...ofRun, viewer: by === null ? null : person(by) }
    before = { event: { ...sample, data } as CanonicalEvent, id: `${run}-${index}` }
    return before
  })
}
