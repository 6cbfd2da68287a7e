import * as z from 'zod'
import { partBase } from '../../../composition/visiblePart.ts'
import { voiceChoice } from '../../../speech/voiceChoice.ts'

/** Under this much, what is said is understood over music. */
export const usualDuckDb = -14

/**
 * A voice that reads aloud: a line about the event, what the viewer wrote, or one after the other. Its clip decides
 * from when on.
 */
export const voice = z.object({
  ...partBase,
  kind: z.literal('voice'),
  /** What is said of the event, with variables; empty: nothing. */
  template: z.string().max(300, 'a voice is given at most 300 letters'),
  readsMessage: z.boolean(),
  /** Between the line and the message. */
  pauseMs: z.int().min(0).max(10_000),
  /** Who reads each of them here; null: the channel's voice for it. */
  lineVoice: voiceChoice.nullable(),
  messageVoice: voiceChoice.nullable(),
  /** Added to what the leveller does, in decibels. */
  trimDb: z.number().min(-60).max(12),
  /** By so much all other sounds go down while it speaks. */
  duckDb: z.number().min(-40).max(0),
  isMuted: z.boolean(),
})
export type Voice = z.infer<typeof voice>
