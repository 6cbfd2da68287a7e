import * as z from 'zod'
import { clockWords } from '../../time/clockWords.ts'
import { isWithinHours } from '../../time/isWithinHours.ts'
import type { Quiet } from '../state.ts'

/** Since midnight, where the channel is. */
const minute = z.int().min(0).max(1439)

/** When nothing begins: within hours of the day, while scenes are shown, while the line is held. */
const quietWhen = z.discriminatedUnion('is', [
  z.object({ is: z.literal('hours'), from: minute, until: minute }),
  z.object({ is: z.literal('scenes'), scenes: z.array(z.string().min(1).max(200)).min(1).max(20) }),
  z.object({ is: z.literal('held') }),
])

export const quietSentence = z.object({
  rule: z.literal('quiet'),
  isOn: z.boolean(),
  when: quietWhen,
  does: z.enum(['collect', 'letGo']),
})
export type QuietSentence = z.infer<typeof quietSentence>

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
    if (when.is === 'hours' && isWithinHours(when, minuteOfDay))
      return { does, why: `quiet from ${clockWords(when.from)} to ${clockWords(when.until)}` }
    if (when.is === 'scenes' && scene !== null && when.scenes.includes(scene))
      return { does, why: `“${scene}” is shown` }
  }
  return null
}
