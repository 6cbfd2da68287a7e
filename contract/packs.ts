import * as z from 'zod'
import { canvas } from '../core/composition/canvas.ts'
import type { BoxDocument } from '../core/composition/box.ts'
import type { EventKind } from '../core/events/kinds.ts'
import type { Manifest } from '../core/pack/manifest.ts'
import type { MediaView } from './views.ts'

/** `gallery`: ships with the product. `imported`: a channel brought it. */
export type PackOrigin = 'gallery' | 'imported'

/** A pack as a shelf shows it: what it is, and a few of its alerts to see moving. */
export interface PackSummary extends Pick<Manifest, 'id' | 'release' | 'name' | 'author' | 'licence' | 'about'> {
  shelfId: string
  origin: PackOrigin
  addedAtMs: number
  kinds: EventKind[]
  caseCount: number
  dialCount: number
  /** What viewers can set off with it. */
  triggerNames: string[]
  /** The names of the boxes that have taken it. */
  usedBy: string[]
  cover: BoxDocument
  /** The files of the cover. */
  media: MediaView[]
}

export interface PackShelfView {
  packs: PackSummary[]
}

/** All of a pack, with files that need not be in the library. */
export interface PackView {
  shelfId: string
  origin: PackOrigin
  manifest: Manifest
  media: MediaView[]
}

/** A pack whose upload is all there. */
export const uploadedPackBody = z.object({ uploadId: z.string().min(1).max(120) })

/** What became of a pack that was sent. */
export interface ArrivedPack {
  shelfId: string
  name: string
  /** It was on the shelf already. */
  isKnown: boolean
  /** Entries that its manifest does not name. */
  leftAside: string[]
}

export const boxOfPackBody = z.object({
  name: z.string().trim().min(1, 'a name to find it by').max(80),
  canvas: canvas.optional(),
  /** Whether its triggers come too. */
  withTriggers: z.boolean().default(false),
})
export type BoxOfPackBody = z.input<typeof boxOfPackBody>

/** The triggers of a pack that a box has taken. */
export const triggersOfPackBody = z.object({
  boxId: z.string().min(1).max(60),
  /** The alerts of the pack, by their ids in it, as the box calls them. */
  alerts: z.record(z.string().max(60), z.string().max(60)),
})
export type TriggersOfPackBody = z.infer<typeof triggersOfPackBody>
