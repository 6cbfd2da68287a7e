import * as z from 'zod'
import { clip, partId } from './clip.ts'
import { motion } from './motion.ts'
import { place } from './place.ts'

/** What every part has, heard or seen. */
export const partBase = { id: partId, name: z.string().min(1).max(80), clip }

/** What every part that can be seen has. */
export const visibleBase = { ...partBase, place, motion, opacity: z.number().min(0).max(1) }
