import { randomAt, seedOf } from '../random.ts'
import { localMoment } from '../time/localMoment.ts'
import type { Campaign } from './schema.ts'

/** What has to be known of how often a campaign was shown. */
export interface Shown {
  /** How much it still has to be shown, in slots; negative: it was shown more often than its share. */
  credit: number
  /** When it was shown last; null: never. */
  lastMs: number | null
  /** Days since 1970 on the channel’s calendar, and how often it was shown on that day. */
  day: number
  onDay: number
  inAll: number
}
export type RotationState = Readonly<Record<string, Shown>>

export const neverShown: Shown = { credit: 0, lastMs: null, day: 0, onDay: 0, inAll: 0 }

/** Whether a campaign may be shown at a moment, and why not. */
export type Eligibility =
  'shown' | 'paused' | 'notYet' | 'over' | 'outOfHours' | 'tooSoon' | 'enoughToday' | 'enoughInAll'

/** Asks everything that a campaign says of when it is shown. Pure; constant cost. @param timeZone the channel’s */
export function eligibilityOf(
  { isPaused, fromMs, untilMs, hours, everyMin, caps }: Campaign,
  { lastMs, day, onDay, inAll }: Shown,
  nowMs: number,
  timeZone: string,
): Eligibility {
  const now = localMoment(nowMs, timeZone)
  if (isPaused) return 'paused'
  if (nowMs < fromMs) return 'notYet'
  if (untilMs !== null && nowMs >= untilMs) return 'over'
  if (hours && !isWithin(hours, now.minute)) return 'outOfHours'
  if (caps.all !== null && inAll >= caps.all) return 'enoughInAll'
  if (caps.day !== null && day === now.day && onDay >= caps.day) return 'enoughToday'
  return lastMs !== null && nowMs - lastMs < everyMin * 60_000 ? 'tooSoon' : 'shown'
}

const isWithin = ({ from, until }: NonNullable<Campaign['hours']>, minute: number): boolean =>
  from <= until ? minute >= from && minute <= until : minute >= from || minute <= until

/**
 * Which campaign a slot shows. Every one that may be shown is owed its share of the slot by its weight; who is owed most is
 * shown, and pays a whole slot (smooth weighted round robin: the same order always, and nobody is ever more than one slot
 * from their share). Who is owed the same is told apart by the seed. What may not be shown is owed nothing meanwhile.
 * Linear in the number of campaigns.
 * @returns null where none may be shown; and how everything stands then
 */
export function nextCampaign(
  campaigns: readonly Campaign[],
  state: RotationState,
  { nowMs, timeZone, seed }: { nowMs: number; timeZone: string; seed: number },
): { id: string | null; state: RotationState } {
  const shownOf = (id: string): Shown => state[id] ?? neverShown
  const eligible = campaigns.filter((each) => eligibilityOf(each, shownOf(each.id), nowMs, timeZone) === 'shown')
  const all = eligible.reduce((sum, { weight }) => sum + weight, 0)
  const owed = new Map(eligible.map(({ id, weight }) => [id, shownOf(id).credit + weight / all]))
  const lotOf = (id: string) => randomAt(seed, seedOf(id))
  let chosen: string | null = null
  for (const [id, credit] of owed) {
    const most = chosen === null ? -Infinity : (owed.get(chosen) ?? 0)
    // What was added in another order differs in its last bits.
    const isSame = Math.abs(credit - most) < 1e-9
    if (chosen === null || (isSame ? lotOf(id) < lotOf(chosen) : credit > most)) chosen = id
  }
  if (chosen === null) return { id: null, state }
  const { day } = localMoment(nowMs, timeZone)
  const next: Record<string, Shown> = { ...state }
  for (const [id, credit] of owed) next[id] = { ...shownOf(id), credit }
  const before = shownOf(chosen)
  next[chosen] = {
    credit: (owed.get(chosen) ?? 0) - 1,
    lastMs: nowMs,
    day,
    onDay: before.day === day ? before.onDay + 1 : 1,
    inAll: before.inAll + 1,
  }
  return { id: chosen, state: next }
}
