import * as z from 'zod'
import { dial } from './dial.ts'

/** Names a pack over all its releases. */
export const packId = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]{2,59}$/, 'a pack is named with small letters, digits and dashes, three at least')
export const release = z.string().regex(/^\d{1,4}\.\d{1,4}\.\d{1,4}$/, 'a release is written as 1.0.0')

/** What whoever hands out a box says of it. */
export const packHead = {
  id: packId,
  release,
  author: z.string().max(120),
  licence: z.string().max(200),
  about: z.string().max(2000),
}

/** A box as something to hand out: what it is called as a pack, and the dials that others turn. */
export const design = z.object({ ...packHead, dials: z.array(dial).max(60, 'a pack has at most 60 dials') })
export type Design = z.infer<typeof design>

/** Whether a release comes after another: by its numbers, the first first. */
export function isNewer(release: string, than: string): boolean {
  const [mine, other] = [release, than].map((each) => each.split('.').map(Number))
  const at = (mine ?? []).findIndex((number, index) => number !== other?.[index])
  return at >= 0 && (mine?.[at] ?? 0) > (other?.[at] ?? 0)
}
