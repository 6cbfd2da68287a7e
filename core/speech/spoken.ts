import type { MeasuredLevel } from '../audio/level.ts'

/** What of an alert is read aloud. */
export const sayingKinds = ['line', 'message'] as const
export type SayingKind = (typeof sayingKinds)[number]

/** A word of a spoken text: from one letter (code point) to before another, and when it begins in the recording. */
export interface SpokenWord {
  from: number
  to: number
  atMs: number
}

/** Something that a voice has said: where it can be fetched, how long and how loud it is, and when each word begins. */
export interface Utterance {
  of: SayingKind
  /** What was said, word by word. */
  text: string
  url: string
  durationMs: number
  level: MeasuredLevel | null
  words: SpokenWord[]
  /** How loud each stretch of it is; absent where nobody looks at it. */
  waveform?: { stretchMs: number; peaks: number[] }
}

/**
 * What the voices of a composition have said, by part; of a part that is missing here nothing was asked yet, and it is
 * estimated.
 */
export type SpokenParts = Readonly<Record<string, readonly Utterance[]>>
