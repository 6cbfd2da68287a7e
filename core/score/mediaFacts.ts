import type { MeasuredLevel } from '../audio/level.ts'

/** Where the player fetches a media file, and what it is. */
export interface MediaAddress {
  url: string
  mime: string
}

/** Sides of a file, each as a ratio of its width or height. */
export interface Sides {
  left: number
  top: number
  right: number
  bottom: number
}

/** What is known of a media file. `durationMs` is null for stills. */
export interface MediaFacts extends MediaAddress {
  durationMs: number | null
  /** Something in it moves for good: it goes on where others begin again. */
  isEndless?: boolean
  /** How loud a sound is, or the sound of a video; null for silence, absent while it has not been measured. */
  level?: MeasuredLevel | null
  /** When the sound of a video begins on the video's clock, and how long it lasts; absent where none can be heard. */
  ownSound?: { startsMs: number; durationMs: number }
  /** How much of each side of a picture is empty in every frame; absent where nothing is or where that is not known. */
  margin?: Sides
  /** What a font is called where it is chosen, and its lightest and heaviest weight. */
  family?: string
  weights?: [number, number]
}
