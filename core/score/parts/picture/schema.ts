import * as z from 'zod'
import { mediaId } from '../../../composition/mediaId.ts'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { pictureColour } from '../../../colour/pictureColour.ts'

/** What of a file is laid out: where its artwork is, or the whole file with its empty margins. */
export const pictureExtents = ['ink', 'file'] as const
export const pictureFits = ['contain', 'cover', 'stretch'] as const
const ratio = z.number().min(0).max(0.95)

/** How much of each side of the file is not shown, as ratios of its width or height. */
const crop = z
  .object({ left: ratio, top: ratio, right: ratio, bottom: ratio })
  .refine(
    (sides) => sides.left + sides.right < 0.98 && sides.top + sides.bottom < 0.98,
    'nothing of the picture would be left',
  )

/** A still, an animated picture or a transparent video, fitted into a box. */
export const picture = z.object({
  ...visibleBase,
  kind: z.literal('picture'),
  /** SHA-256 of the media file, or null while none is chosen. */
  mediaId: mediaId.nullable(),
  /** Where the alert offers viewers a choice, what they chose takes this file's place. */
  takesChoice: z.boolean(),
  widthPx: z.number().min(1).max(8000),
  heightPx: z.number().min(1).max(8000),
  fit: z.enum(pictureFits),
  extent: z.enum(pictureExtents),
  crop,
  isMirrored: z.boolean(),
  /** What an animation does when it has been through: it begins again, or its last frame stays. */
  repeats: z.enum(['loop', 'hold']),
  colour: pictureColour,
  /** How the sound of a video is heard; without effect on files that have none. */
  ownSound: z.object({
    isMuted: z.boolean(),
    /** Brought to the box's loudness; else it is heard as it was recorded. */
    isLevelled: z.boolean(),
    /** Added to what the leveller does, in decibels. */
    trimDb: z.number().min(-60).max(12),
  }),
})
export type Picture = z.infer<typeof picture>
