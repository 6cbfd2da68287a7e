import type { ThanksView } from '../../contract/tips.ts'
import type { playsOf } from '../db/queries/tips.ts'

type PlayOf = Pick<Awaited<ReturnType<typeof playsOf>>[number], 'state' | 'outcome' | 'before'>

/** Where the alert of a tip is, of all boxes that show it: where it is soonest. Null: no box shows it. */
export function placeOf(plays: readonly PlayOf[]): ThanksView['place'] {
  if (plays.length === 0) return null
  if (plays.some(({ state, outcome }) => outcome === null && state === 'playing')) return { is: 'onAir' }
  if (plays.some(({ outcome }) => outcome === 'played')) return { is: 'shown' }
  const waiting = plays.filter(({ outcome }) => outcome === null)
  return waiting.length > 0
    ? { is: 'waiting', before: Math.min(...waiting.map(({ before }) => before)) }
    : { is: 'notShown' }
}
