import type { FlashFinding } from '../flash/flashMeter.ts'

/** A flash that was seen when a case was drawn, and how opaque which parts may be without it: a share of what they are. */
export interface SeenFlash extends FlashFinding {
  /** What lay behind. */
  ground: 'dark' | 'bright'
  /** Null: nothing was found that calms it. */
  calmer: readonly { partId: string; share: number }[] | null
}

/** A text that stood on too similar colours when it was drawn, at its worst moment. */
export interface SeenText {
  partId: string
  atMs: number
  /** How much of it, from 0 to 1. */
  share: number
  /** The contrast there, in the middle. */
  ratio: number
  needed: number
}

/** What a case looked like when it was drawn, moment by moment. */
export interface Seen {
  flashes: readonly SeenFlash[]
  texts: readonly SeenText[]
}
