import * as z from 'zod'
import type { ResolvedScore } from '../core/score/resolved.ts'

/** What a source page sends over its socket. Checked by the server; the page only uses the type. */
export const fromSource = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('hello'),
    /** Plays that this page has begun to show, newest last: they are never sent to it again. */
    shownPlayIds: z.array(z.string().max(60)).max(200),
    /** What it shows at this moment, and how far it is. */
    showing: z.object({ playId: z.string().max(60), atMs: z.int().min(0).max(3_600_000) }).nullish(),
    /** `blocked`: the browser wants a click before it lets the page be heard. */
    sound: z.enum(['on', 'blocked']),
    widthPx: z.int().min(0).max(20_000),
    heightPx: z.int().min(0).max(20_000),
  }),
  z.object({ type: z.literal('ready'), playId: z.string().max(60), missing: z.array(z.string().max(200)).max(100) }),
  z.object({ type: z.literal('started'), playId: z.string().max(60) }),
  z.object({ type: z.literal('done'), playId: z.string().max(60) }),
  z.object({ type: z.literal('sound'), sound: z.enum(['on', 'blocked']) }),
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
  | { type: 'ping'; sentAtMs: number }

/** One play with everything that a source needs to show it. */
export interface PlayToShow {
  playId: string
  eventId: string
  variationName: string
  score: ResolvedScore
}
