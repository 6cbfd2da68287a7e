import * as z from 'zod'
import { mediaId } from './mediaId.ts'
import type { Composition } from './schema.ts'

/** One of the pictures or sounds that viewers choose from. Its id is what the platform sends back. */
const option = z.object({
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/),
  label: z.string().min(1, 'what do viewers read?').max(60),
  mediaId,
})

export const offeredMax = 4

/** What an alert lets its viewers choose: up to four pictures, or four sounds. */
export const offer = z
  .object({
    kind: z.enum(['picture', 'sound']),
    options: z.array(option).min(1).max(offeredMax, `viewers choose among at most ${offeredMax}`),
  })
  .refine(({ options }) => new Set(options.map(({ id }) => id)).size === options.length, 'two choices have the same id')
export type Offer = z.infer<typeof offer>

/**
 * A composition as a viewer chose it: the parts that take the choice show or sound the chosen file. Without a choice,
 * or with one that is not on offer any more, they keep their own file. What was chosen is heard, also where the part
 * would have a shared sound.
 */
export function withChoice(composition: Composition, offered: Offer | null, choice: string | undefined): Composition {
  const chosen = choice === undefined ? undefined : offered?.options.find(({ id }) => id === choice)
  if (!offered || !chosen) return composition
  return {
    ...composition,
    parts: composition.parts.map((part) =>
      (part.kind === 'picture' || part.kind === 'sound') && part.kind === offered.kind && part.takesChoice
        ? { ...part, mediaId: chosen.mediaId, ...(part.kind === 'sound' ? { role: null } : {}) }
        : part,
    ),
  }
}
