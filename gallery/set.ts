import type { Canvas } from '../core/composition/canvas.ts'
import type { Composition } from '../core/composition/schema.ts'
import type { EventKind } from '../core/events/kinds.ts'
import type { Look, SoundRole } from '../core/look/schema.ts'
import type { Dial } from '../core/pack/dial.ts'
import type { Synthesis } from '../demo/media/voices.ts'

/** What the pictures of a set are for; the fourth for whatever is rare and large. */
export const pictureRoles = ['arrival', 'support', 'crowd', 'great'] as const
export type PictureRole = (typeof pictureRoles)[number]

export interface Words {
  headline: string
  second: string
}

/** One case of an alert that a set lays out. */
export interface Seat {
  kind: EventKind
  words: Words
  role: SoundRole
  /** Rare and large: it may take more room and time. */
  isGreat: boolean
  hasMessage: boolean
  /** Null for a set without pictures. */
  pictureId: string | null
  soundId: string
}

/**
 * A set of the gallery: how it looks and sounds, and how it lays out a case. What it says and when is the same for all,
 * but for its own words.
 */
export interface GallerySet {
  id: string
  name: string
  about: string
  canvas: Canvas
  look: Omit<Look, 'sounds'>
  words: Partial<Record<EventKind, Words>>
  /** SVGs, each on a square. */
  pictures: Record<PictureRole, string> | null
  sounds: Record<SoundRole, Synthesis>
  /** Which of its parts are only there for joy: a switch leaves them out. */
  sparks: string[]
  compose(seat: Seat): Composition
  /** Dials of its own, besides those that every set has. */
  dials: Dial[]
}
