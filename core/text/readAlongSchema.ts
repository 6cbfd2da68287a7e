import * as z from 'zod'
import { styledInk } from '../look/schema.ts'

/** How words light up while a voice reads them: each for itself, or all that were read so far. */
export const readAlong = z.object({ ink: styledInk, keeps: z.boolean() })
