import type { Part } from '../../../core/score/parts/part.ts'

/** A part that shows or sounds a file and has none yet. */
export type EmptyPart = Extract<Part, { kind: 'picture' | 'sound' }>

/** Whether a part waits for its file. One that takes what viewers choose, or a sound of the look, has one elsewhere. */
export function isEmptyPart(part: Part): part is EmptyPart {
  if (part.kind === 'picture') return part.mediaId === null && !part.takesChoice
  return part.kind === 'sound' && part.mediaId === null && part.role === null && !part.takesChoice
}
