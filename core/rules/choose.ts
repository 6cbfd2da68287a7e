import { placeOfLot, randomAt, seedOf } from '../random.ts'
import { ruleHolds } from './matches.ts'
import type { Ruled } from './chosen.ts'
import type { RuleValues } from './values.ts'

/** A draw among variations that share. */
export interface Draw {
  group: string
  /** Who could be drawn, and with how many lots of how many. */
  odds: { id: string; weight: number }[]
  /** Nought to one: where the lot fell. */
  lot: number
}

export interface Chosen<V extends Ruled> {
  variation: V | null
  draw: Draw | null
}

/**
 * The first variation whose rule holds; where it shares, one of its group that hold, drawn by weight. The lot depends
 * on the event and the alert alone, so that every machine, every replay and every rehearsal draws the same.
 * @param drawKey the event's identity with the alert's id
 * @param holds whether a variation's rule holds, where that was asked already
 */
export function chooseVariation<V extends Ruled>(
  variations: readonly V[],
  values: RuleValues,
  drawKey: string,
  holds: (variation: V, index: number) => boolean = ({ rule }) => ruleHolds(rule, values),
): Chosen<V> {
  const first = variations.find(holds)
  const group = first?.share?.group
  if (!first || group === undefined) return { variation: first ?? null, draw: null }
  const sharing = variations.filter((each, index) => each.share?.group === group && holds(each, index))
  const lot = randomAt(seedOf(drawKey), 0)
  const odds = sharing.map(({ id, share }) => ({ id, weight: share?.weight ?? 0 }))
  const drawn =
    sharing[
      placeOfLot(
        odds.map(({ weight }) => weight),
        lot,
      )
    ] ?? first
  return {
    variation: drawn,
    draw: { group, odds, lot },
  }
}
