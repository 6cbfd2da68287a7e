import * as z from 'zod'

/** Alerts take at most so much of any minute. */
export const airtimeSentence = z.object({
  rule: z.literal('airtime'),
  isOn: z.boolean(),
  percent: z.int().min(5).max(100),
})

/** From when until when something had the screen. */
export interface Aired {
  fromMs: number
  untilMs: number
}

export const windowMs = 60_000

/**
 * From when on a play of this length may begin, so that no minute has more than its share. While a play goes on, the
 * minute that ends with it is the fullest: each moment of it brings one and loses one at most. A play longer than the
 * share may begin where nothing else is in its minute.
 * @param aired in the order in which it was, without overlaps
 * @param percent of a minute; null: as much as there is
 */
export function allowedFromMs(
  aired: readonly Aired[],
  lengthMs: number,
  nowMs: number,
  percent: number | null,
): number {
  if (percent === null) return nowMs
  let leftMs = Math.max(0, (percent / 100) * windowMs - lengthMs)
  for (let at = aired.length - 1; at >= 0; at--) {
    const each = aired[at]
    if (!each) break
    const ownMs = Math.max(0, each.untilMs - each.fromMs)
    // The minute may begin within this one, as much of it as is left.
    if (ownMs > leftMs) return Math.max(nowMs, Math.ceil(each.untilMs - leftMs + windowMs - lengthMs))
    leftMs -= ownMs
  }
  return nowMs
}

/** Without what is so long ago that no minute that is still to come has any of it. */
export function lately(aired: readonly Aired[], nowMs: number): readonly Aired[] {
  const first = aired.findIndex(({ untilMs }) => untilMs > nowMs - windowMs)
  if (first === 0) return aired
  return first < 0 ? [] : aired.slice(first)
}

/** What had the screen has it no longer. */
export function airedUntil(aired: readonly Aired[], nowMs: number): readonly Aired[] {
  const last = aired.at(-1)
  return last && last.untilMs > nowMs
    ? [...aired.slice(0, -1), { ...last, untilMs: Math.max(last.fromMs, nowMs) }]
    : aired
}
