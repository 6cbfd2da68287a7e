import { boxesPlayed } from '../triggers/calledEvent.ts'
import type { Trigger } from '../triggers/schema.ts'
import type { DecidedEvent } from './decideNight.ts'
import type { CarriedOut } from './rehearsedCall.ts'

/** One thing that came for a box: by itself, or because somebody set a trigger off that plays there. */
export interface NightItem {
  /** Which of the night's events; −1: none, a given time came. */
  at: number
  /** As it stood in the line; null: it never did. */
  playId: string | null
  /** A gate said no. */
  isRefused: boolean
}

/** What came for a box: what it decided, and what sheets played there or would have, had their gates let it through. Linear. */
export function itemsOf(
  boxId: string,
  decided: readonly DecidedEvent[],
  called: CarriedOut,
  triggers: readonly Trigger[] = [],
): NightItem[] {
  const bySheet = new Map<number, NightItem[]>()
  const add = (item: NightItem) => {
    const known = bySheet.get(item.at)
    if (known) known.push(item)
    else bySheet.set(item.at, [item])
  }
  for (const [playId, play] of called.plays)
    if (play.boxId === boxId) add({ at: play.at ?? -1, playId, isRefused: false })
  const played = new Map(triggers.map((each) => [each.id, boxesPlayed(each)]))
  for (const { end, at, triggerId } of called.calls)
    if (end === 'refused' && at !== null && played.get(triggerId)?.includes(boxId))
      add({ at, playId: null, isRefused: true })
  return decided.flatMap(({ at, arrival }) => {
    const others = bySheet.get(at) ?? []
    const own: NightItem = { at, playId: arrival?.ticket.playId ?? null, isRefused: false }
    // What a sheet says for it, it does not decide once more.
    return arrival || others.length === 0 ? [own, ...others] : others
  })
}
