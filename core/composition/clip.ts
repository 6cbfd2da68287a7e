import * as z from 'zod'

export const maxScoreMs = 60_000

/** Names of parts inside one composition; they stand in anchors, so no dots. */
export const partId = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'a part id is lower-case letters, digits and dashes')

const offsetMs = z.int().min(-maxScoreMs).max(maxScoreMs)

/**
 * An anchor: a moment of the score or of another part, plus an offset. *entered* is the end of the entrance,
 * *leaving* the start of the exit.
 */
export const edge = z.object({
  at: z
    .string()
    .regex(
      /^(score\.(start|end)|[a-z0-9][a-z0-9-]{0,39}\.(start|entered|leaving|end))$/,
      'an anchor is "score.start" or "part.entered"',
    ),
  offsetMs,
})
export type Edge = z.infer<typeof edge>

/** Where a clip ends: after a fixed time, when its media does (times so many rounds), or at an anchor. */
const clipEnd = z.discriminatedUnion('length', [
  z.object({ length: z.literal('fixed'), ms: z.int().min(1).max(maxScoreMs) }),
  z.object({ length: z.literal('natural'), times: z.int().min(1).max(100) }),
  z.object({ length: z.literal('until'), edge }),
])

export const clip = z.object({ start: edge, end: clipEnd })
export type Clip = z.infer<typeof clip>

/** How long the whole score is. */
export const lengthRule = z.discriminatedUnion('rule', [
  z.object({ rule: z.literal('fixed'), ms: z.int().min(500).max(maxScoreMs) }),
  z.object({ rule: z.literal('fit'), minMs: z.int().min(0).max(maxScoreMs), maxMs: z.int().min(500).max(maxScoreMs) }),
])
export type LengthRule = z.infer<typeof lengthRule>
