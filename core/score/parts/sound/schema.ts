import * as z from 'zod'
import { mediaId } from '../../../composition/mediaId.ts'
import { soundRole } from '../../../look/schema.ts'
import { partBase } from '../../../composition/visiblePart.ts'

/** A sound. Its clip decides from when until when it is heard. */
export const sound = z.object({
  ...partBase,
  kind: z.literal('sound'),
  /** SHA-256 of the media file, or null while none is chosen. */
  mediaId: mediaId.nullable(),
  /** Which of the look's shared sounds takes its file's place, where the look has one. */
  role: soundRole.nullable(),
  /** Where the alert offers viewers a choice, what they chose takes this file's place. */
  takesChoice: z.boolean(),
  /** Added to what the leveller does, in decibels. */
  trimDb: z.number().min(-60).max(12),
  /** Brought to the box's loudness; else the file is heard as it is. */
  isLevelled: z.boolean(),
  isMuted: z.boolean(),
  fadeInMs: z.int().min(0).max(20_000),
  fadeOutMs: z.int().min(0).max(20_000),
})
export type Sound = z.infer<typeof sound>
