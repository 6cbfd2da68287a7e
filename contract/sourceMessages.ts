import * as z from 'zod'
import type { ResolvedScore } from '../core/score/resolved.ts'

/** How a page is heard and seen, as far as it knows. Pages of older servers say less. */
const manner = {
  /** `blocked`: the browser wants a click before it lets the page be heard. */
  sound: z.enum(['on', 'blocked']),
  /** Somebody has this one be silent, so that two scenes do not sound double; it remembers that. */
  isHeard: z.boolean().optional(),
  /** Somebody has all of the box be silent. */
  isSilenced: z.boolean().optional(),
  /** The broadcast program does not show it just now. */
  isHidden: z.boolean().optional(),
}
/** Pictures that were drawn of a play, and that came too late to be. */
const frames = z.object({ drawn: z.int().min(0).max(10_000_000), dropped: z.int().min(0).max(10_000_000) })

/** What a source page sends over its socket. Checked by the server; the page only uses the type. */
export const fromSource = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('hello'),
    /** Plays that this page has begun to show, newest last: they are never sent to it again. */
    shownPlayIds: z.array(z.string().max(60)).max(200),
    /** What it shows at this moment, and how far it is. */
    showing: z.object({ playId: z.string().max(60), atMs: z.int().min(0).max(3_600_000) }).nullish(),
    ...manner,
    widthPx: z.int().min(0).max(20_000),
    heightPx: z.int().min(0).max(20_000),
  }),
  z.object({ type: z.literal('ready'), playId: z.string().max(60), missing: z.array(z.string().max(200)).max(100) }),
  z.object({ type: z.literal('started'), playId: z.string().max(60) }),
  z.object({ type: z.literal('done'), playId: z.string().max(60), frames: frames.optional() }),
  z.object({ type: z.literal('sound'), ...manner }),
  z.object({ type: z.literal('pong'), sentAtMs: z.number() }),
])
export type FromSource = z.infer<typeof fromSource>

/** What the server sends to a source page. */
export type ToSource =
  | { type: 'prepare'; play: PlayToShow }
  | { type: 'start'; playId: string; offsetMs: number }
  | { type: 'stop'; playId: string }
  /** Its voices are not heard (any more); everything else goes on. */
  | { type: 'silence'; playId: string }
  /** Something that is only heard, beside whatever is shown. */
  | { type: 'beside'; play: PlayToShow }
  /** It is to be heard, or not: this one alone, or all of the box. */
  | { type: 'hear'; isHeard: boolean; of: 'source' | 'box' }
  | { type: 'ping'; sentAtMs: number }

/** One play with everything that a source needs to show it. */
export interface PlayToShow {
  playId: string
  eventId: string
  variationName: string
  score: ResolvedScore
}
