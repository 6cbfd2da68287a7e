import * as z from 'zod'
import { liveFields } from '../../../board/liveFields.ts'

/** What is said in chats. Commands are left out. */
export const chat = z.object({
  ...liveFields,
  kind: z.literal('chat'),
  /** Feeds by what their events name as source; null: all. */
  sources: z.array(z.string().max(200)).max(40).nullable(),
  most: z.int().min(1).max(50),
  /** Null: lines stay until others push them out. */
  fadesAfterS: z.int().min(3).max(3600).nullable(),
  hasMarks: z.boolean(),
  hasEmotes: z.boolean(),
  /** Names in the colour that viewers chose, as far as it can be read. */
  hasOwnInks: z.boolean(),
  /** Words that the channel does not want read aloud are not shown either. */
  hidesBlocked: z.boolean(),
  /** A line takes so many lines of text at most. */
  mostLines: z.int().min(1).max(12),
  newest: z.enum(['top', 'bottom']),
  gapPx: z.number().min(0).max(400),
})
export type Chat = z.infer<typeof chat>
