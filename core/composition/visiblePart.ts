import * as z from 'zod'
import { keyframeTracks } from '../motion/keyframes.ts'
import { motion } from '../motion/schema.ts'
import { clip, partId } from './clip.ts'
import { place } from './place.ts'

/** What every part has, heard or seen. A locked part is not changed by dragging. */
export const partBase = { id: partId, name: z.string().min(1).max(80), clip, isLocked: z.boolean() }

/** What every part that can be seen has. `isHidden` parts stay in the score but are drawn nowhere, on air neither. */
export const visibleBase = {
  ...partBase,
  place,
  motion,
  keyframes: keyframeTracks,
  opacity: z.number().min(0).max(1),
  rotationDeg: z.number().min(-3600).max(3600),
  isHidden: z.boolean(),
  /** Parts of one group are selected and moved together. */
  groupId: partId.nullable(),
}

/** What the parts of every kind start with where a person has set nothing yet. */
export const plainVisible = { keyframes: [], rotationDeg: 0, isHidden: false, isLocked: false, groupId: null }
