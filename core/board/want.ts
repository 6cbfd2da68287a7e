import { byText } from '../byText.ts'
import * as z from 'zod'
import { eventKind, eventKinds } from '../events/kinds.ts'
import { moneyKinds } from '../events/moneyKinds.ts'
import { liveTemplate, period } from './liveFields.ts'

const kinds = z.array(eventKind).min(1).max(eventKinds.length)

/** What a part of a board wants to be told, and of it how much. Parts that want the same are told together. */
export const want = z.discriminatedUnion('of', [
  /** A goal by its id; null: the one that runs, or runs next. */
  z.object({ of: z.literal('goal'), goalId: z.string().max(60).nullable() }),
  /** The newest events, in words of their own where those are given. Amounts in minor units of the channel. */
  z.object({
    of: z.literal('events'),
    kinds,
    leastMinor: z.int().min(0),
    most: z.int().min(1).max(50),
    words: z.partialRecord(eventKind, liveTemplate),
  }),
  /** What is said in chats, by what their events name as source; null: in all. */
  z.object({
    of: z.literal('chat'),
    sources: z.array(z.string().max(200)).max(40).nullable(),
    most: z.int().min(1).max(50),
    hidesBlocked: z.boolean(),
  }),
  /** Who gave most. */
  z.object({
    of: z.literal('top'),
    kinds: z.array(z.enum(moneyKinds)).min(1),
    since: period,
    most: z.int().min(1).max(50),
  }),
  /** How many events there were; of commands only those of this name. */
  z.object({ of: z.literal('count'), kinds, command: z.string().max(40).nullable(), since: period }),
  /** When the broadcast began. */
  z.object({ of: z.literal('stream') }),
  /** The sponsor’s line whose turn it was last. */
  z.object({ of: z.literal('sponsor') }),
])
export type Want = z.infer<typeof want>

/** A want as one line of text: alike for alike wants, whatever order their fields and lists are in. */
export const wantKey = (of: Want): string => JSON.stringify(ordered(of))

function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return [...(value as unknown[])].sort()
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => byText(a, b))
      .map(([name, each]: [string, unknown]) => [name, ordered(each)]),
  )
}
