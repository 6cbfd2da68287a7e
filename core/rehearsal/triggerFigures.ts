import type { Refusal } from '../gate/askGate.ts'
import type { RehearsedCall } from './rehearsedCall.ts'

/** What became of all who set a trigger off in a night. */
export interface TriggerFigures {
  triggerId: string
  asked: number
  /** Of them those that were let through and ran, or still run. */
  ran: number
  /** Let through, and given back since nothing of it ever began. */
  released: number
  refused: number
  /** By what said no, the most frequent first; `null`: what it was to run cannot be run. */
  refusals: { reason: Refusal | null; count: number; said: string }[]
  /** When the last of the stock was taken for good; null: there is none, or some is left. */
  stockEndedAtMs: number | null
  /** In the channel's points. */
  spent: number
  /** The longest from being asked for until it began. */
  longestMs: number
  /** What could not be done of those that ran, each once. */
  faults: string[]
}

/** What became of those who set triggers off, by trigger in the given order. Linear. */
export function triggerFiguresOf(calls: readonly RehearsedCall[], triggerIds: readonly string[]): TriggerFigures[] {
  return triggerIds.flatMap((triggerId) => {
    const own = calls.filter((each) => each.triggerId === triggerId)
    if (own.length === 0) return []
    const refused = own.filter(({ end }) => end === 'refused')
    const ran = own.filter(({ end }) => end === 'ran' || end === 'open')
    const reasons = new Map<Refusal | null, { count: number; said: string }>()
    for (const { refusal, reason } of refused) {
      const known = reasons.get(refusal)
      reasons.set(refusal, { count: (known?.count ?? 0) + 1, said: known?.said ?? reason })
    }
    const last = own.findLast(({ left, end }) => left !== null && end !== 'refused')
    const isGone = last?.left === 0 && own.at(-1)?.left === 0
    return [
      {
        ...{ triggerId, asked: own.length, ran: ran.length, refused: refused.length },
        released: own.filter(({ end }) => end === 'released').length,
        refusals: [...reasons].map(([reason, of]) => ({ reason, ...of })).sort((a, b) => b.count - a.count),
        stockEndedAtMs: isGone && last ? last.atMs : null,
        spent: own.reduce((sum, { cost }) => sum + cost, 0),
        longestMs: ran.reduce((most, { beganMs, atMs }) => Math.max(most, (beganMs ?? atMs) - atMs), 0),
        faults: [...new Set(own.flatMap(({ faults }) => faults))],
      },
    ]
  })
}
