import { isLivePart, type ResolvedScore } from '../score/resolved.ts'
import type { Want } from './want.ts'

/** What the parts of a board want to be told, each thing once, by the name under which it is told. */
export function wantsOf({ parts }: Pick<ResolvedScore, 'parts'>): Map<string, Want> {
  const wants = new Map<string, Want>()
  for (const part of parts) if (isLivePart(part) && part.want) wants.set(part.wantKey, part.want)
  return wants
}
