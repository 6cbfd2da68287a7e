import type { Part } from '../score/parts/part.ts'
import { kindOfPart } from '../score/parts/partKinds.ts'

/** The files that a part refers to, each once. */
export const mediaOfPart = (part: Part): string[] => kindOfPart(part).files.of(part)

/** A part with one file in the place of another; the very same where it does not refer to that. */
export function withMedia(part: Part, from: string, to: string): Part {
  const { files } = kindOfPart(part)
  return files.of(part).includes(from) ? files.with(part, from, to) : part
}
