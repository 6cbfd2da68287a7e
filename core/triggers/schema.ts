import * as z from 'zod'
import { eventKind } from '../events/kinds.ts'
import { gate, openGate } from '../gate/schema.ts'
import { faultOfRule } from '../rules/checkRule.ts'
import { rule } from '../rules/schema.ts'
import { runSheet } from '../sheet/schema.ts'
import { foldCase } from '../text/foldCase.ts'

const name = z.string().trim().min(1).max(80)
/** A word of a command, without what the channel has in front of it. */
const word = z
  .string()
  .trim()
  .min(1)
  .max(40)
  .regex(/^[\p{L}\p{M}\p{N}_-]+$/u, 'a command is one word of letters and figures')

/** What sets a trigger off. */
export const triggerStart = z.discriminatedUnion('by', [
  /** A reward of a feed, by the platform's own id: whatever it is called, here or there, it is the same one. */
  z.object({
    by: z.literal('reward'),
    source: z.string().min(1).max(200),
    rewardId: z.string().min(1).max(200),
    title: z.string().max(200),
  }),
  z.object({ by: z.literal('command'), word, aliases: z.array(word).max(20) }),
  /** A button on the desk, and a key for it where it has one. */
  z.object({ by: z.literal('hand'), key: z.string().max(30).nullable() }),
  z
    .object({ by: z.literal('event'), kinds: z.array(eventKind).min(1).max(30), rule: rule.nullable() })
    .superRefine(({ kinds, rule: asked }, context) => {
      const fault = faultOfRule({ kinds, offer: null }, asked)
      if (fault) context.addIssue({ code: 'custom', path: ['rule'], message: fault })
    }),
  /** At a minute of the channel's day, on these weekdays; 0 is Monday. */
  z.object({
    by: z.literal('time'),
    minute: z
      .int()
      .min(0)
      .max(24 * 60 - 1),
    weekdays: z.array(z.int().min(0).max(6)).min(1).max(7),
  }),
])
export type TriggerStart = z.infer<typeof triggerStart>

/** What viewers, hands or events can set off: what starts it, its gate, and what it does. */
export const trigger = z.object({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/),
  name,
  isArmed: z.boolean(),
  starts: z.array(triggerStart).max(10),
  gate,
  sheet: runSheet,
  /** What chat is told where the gate says no, with `{name}`, `{wait}` and `{reason}`; empty: nothing. */
  refusal: z.string().max(300),
  /** What viewers read about it in the list of what they can set off. */
  about: z.string().trim().max(200),
  /** Asked for again while it runs: one run after another, so that times add up, or at once. */
  again: z.enum(['inTurn', 'together']),
  /** Where a studio is needed and away: nothing begins, the rest runs, or the rest runs and the cost is given back. */
  studioAway: z.enum(['refuse', 'goOn', 'giveBack']),
  /** Somebody does something by hand: it waits on the desk until that is done. */
  isDoneByHand: z.boolean(),
})
export type Trigger = z.infer<typeof trigger>

/** A trigger to begin with: nothing starts it, everybody may, and it does nothing yet. */
export function newTrigger(id: string, name: string): Trigger {
  return {
    ...{ id, name, isArmed: false, starts: [], gate: openGate, sheet: { do: 'inTurn', of: [] } },
    ...{ refusal: '', about: '', again: 'inTurn', studioAway: 'goOn', isDoneByHand: false },
  }
}

/** Commands of a channel that two triggers would both answer to, however they are written. */
export function sharedWords(
  triggers: readonly Pick<Trigger, 'name' | 'starts'>[],
): { word: string; names: string[] }[] {
  const byWord = new Map<string, { word: string; names: string[] }>()
  for (const { name: of, starts } of triggers)
    for (const start of starts) {
      if (start.by !== 'command') continue
      for (const each of [start.word, ...start.aliases]) {
        const known = byWord.get(foldCase(each)) ?? { word: each, names: [] }
        byWord.set(foldCase(each), { ...known, names: [...known.names, of] })
      }
    }
  return [...byWord.values()].filter(({ names }) => names.length > 1)
}
