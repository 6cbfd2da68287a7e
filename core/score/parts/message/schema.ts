import * as z from 'zod'
import { visibleBase } from '../../../composition/visiblePart.ts'
import { textStyle } from '../../../text/style.ts'

/** What the viewer wrote, in a style of its own, with the emotes of the event drawn in their places. */
export const message = z.object({ ...visibleBase, ...textStyle, kind: z.literal('message'), showsEmotes: z.boolean() })
export type Message = z.infer<typeof message>
