import type { Canvas } from '../composition/canvas.ts'
import type { Phase } from '../composition/motion.ts'
import type { Place } from '../composition/place.ts'
import type { TextPiece } from '../text/fillTemplate.ts'

/** A part with its roles, template and anchors settled: plain JSON. Times in milliseconds, lengths in canvas pixels. */
interface ResolvedBase {
  id: string
  startMs: number
  endMs: number
}

export interface ResolvedVisible extends ResolvedBase {
  place: Place
  opacity: number
  entrance: Phase
  exit: Phase
}

export interface ResolvedPicture extends ResolvedVisible {
  kind: 'picture'
  mediaId: string | null
  widthPx: number
  heightPx: number
  isMirrored: boolean
  rotationDeg: number
}

export interface ResolvedLine extends ResolvedVisible {
  kind: 'line'
  pieces: TextPiece[]
  family: string
  weight: number
  sizePx: number
  floorPx: number
  maxWidthPx: number
  ink: string
  highlightInk: string
  outlinePx: number
  outlineInk: string
}

export interface ResolvedBackdrop extends ResolvedVisible {
  kind: 'backdrop'
  hugs: string[]
  widthPx: number
  heightPx: number
  paddingPx: number
  cornerPx: number
  ink: string
}

export interface ResolvedSound extends ResolvedBase {
  kind: 'sound'
  mediaId: string
  gainDb: number
}

export type ResolvedVisiblePart = ResolvedPicture | ResolvedLine | ResolvedBackdrop
export type ResolvedPart = ResolvedVisiblePart | ResolvedSound

/** Where the player fetches a media file, and what it is. */
export interface MediaAddress {
  url: string
  mime: string
}

/** Something that had to give way when the score was resolved; shown where it concerns. */
export interface ScoreRemark {
  type: 'phasesShrunk' | 'cutOff'
  partId: string
}

/** One play, fully settled. What travels to the sources: they need neither schemas nor rules. */
export interface ResolvedScore {
  version: 1
  canvas: Canvas
  lengthMs: number
  parts: ResolvedPart[]
  media: Record<string, MediaAddress>
  /** Families beyond the parts' own that the texts need (scripts, emoji), in fallback order. */
  fallbackFamilies: string[]
  remarks: ScoreRemark[]
}
