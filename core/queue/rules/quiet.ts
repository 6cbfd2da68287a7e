import * as z from 'zod'
import type { Quiet } from '../state.ts'

const clockTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day is HH:MM')

/** When nothing begins: within hours of the day, while scenes are shown, while the line is held. */
export const quietWhen = z.discriminatedUnion('is', [
  z.object({ is: z.literal('hours'), from: clockTime, until: clockTime }),
  z.object({ is: z.literal('scenes'), scenes: z.array(z.string().min(1).max(200)).min(1).max(20) }),
  z.object({ is: z.literal('held') }),
])
export type QuietWhen = z.infer<typeof quietWhen>

export const quietSentence = z.object({
  rule: z.literal('quiet'),
  isOn: z.boolean(),
  when: quietWhen,
  does: z.enum(['collect', 'letGo']),
})
export type QuietSentence = z.infer<typeof quietSentence>

const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3))

/** Whether a moment of the day lies within hours, which may go over midnight; the same twice is the whole day. */
export function isWithinHours(minuteOfDay: number, from: string, until: string): boolean {
  const [fromMinute, untilMinute] = [minutesOf(from), minutesOf(until)]
  if (fromMinute < untilMinute) return minuteOfDay >= fromMinute && minuteOfDay < untilMinute
  return minuteOfDay >= fromMinute || minuteOfDay < untilMinute
}

/** What quiet depends on, beside the policy. */
export interface Surroundings {
  /** Of the day, where the channel is. */
  minuteOfDay: number
  /** What the studio shows; null: no studio says. */
  scene: string | null
}

/** Whether and why nothing begins now; of several sentences the first counts. What holds while a line is held is not asked here. */
export function quietAt(sentences: readonly QuietSentence[], { minuteOfDay, scene }: Surroundings): Quiet | null {
  for (const { when, does } of sentences) {
    if (when.is === 'hours' && isWithinHours(minuteOfDay, when.from, when.until))
      return { does, why: `quiet from ${when.from} to ${when.until}` }
    if (when.is === 'scenes' && scene !== null && when.scenes.includes(scene))
      return { does, why: `“${scene}” is shown` }
  }
  return null
}
