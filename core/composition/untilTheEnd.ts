import type { Clip } from './clip.ts'

/** The end of a clip that lasts as long as the score. */
export function untilTheEnd(): Clip['end'] {
  return { length: 'until', edge: { at: 'score.end', offsetMs: 0 } }
}
