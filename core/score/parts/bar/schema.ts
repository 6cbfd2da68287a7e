import * as z from 'zod'
import { liveFields, liveTemplate } from '../../../board/liveFields.ts'
import { mediaId } from '../../../composition/mediaId.ts'
import { styledInk } from '../../../look/schema.ts'

/** How a bar fills: from left to right, from the bottom up, around, or a picture by its shape from the bottom up. */
export const barForms = ['lying', 'standing', 'round', 'picture'] as const
/** What it does when a target is reached. */
export const barReactions = ['nothing', 'glow', 'beat'] as const

/** How far a goal is. */
export const bar = z.object({
  ...liveFields,
  kind: z.literal('bar'),
  /** Null: the goal that runs, or runs next. */
  goalId: z.string().max(60).nullable(),
  form: z.enum(barForms),
  /** For the form *picture*: what is filled. */
  mediaId: mediaId.nullable(),
  /** Words on it, line by line. */
  says: liveTemplate,
  /** Words at its far end. */
  atEnd: liveTemplate,
  fillInk: styledInk,
  /** How long it takes to count up, in milliseconds. */
  countsMs: z.int().min(0).max(10_000),
  /** Marks where targets are. */
  hasMarks: z.boolean(),
  whenReached: z.enum(barReactions),
})
export type Bar = z.infer<typeof bar>
