import * as z from 'zod'

/** A key that a device of a person keeps, as they see it. */
export interface PasskeyView {
  id: string
  name: string
  madeAtMs: number
  usedAtMs: number | null
}

/** What a device answers: whether it holds is checked where it was asked; here only that it is an answer, and how large. */
const answer = z.object({
  id: z.string().min(1).max(2_000),
  rawId: z.string().max(2_000),
  type: z.literal('public-key'),
  response: z.record(z.string(), z.unknown()),
  clientExtensionResults: z.record(z.string(), z.unknown()).default({}),
  authenticatorAttachment: z.enum(['cross-platform', 'platform']).optional(),
})
export const passkeyBody = z.object({ name: z.string().trim().min(1, 'say which device it is').max(80), answer })
export const passkeySignInBody = z.object({ answer })
