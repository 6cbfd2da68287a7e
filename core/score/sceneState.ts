import type { TextPiece } from '../text/fillTemplate.ts'

/** A 2D affine matrix as CSS writes it: x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number]

/** How a line was fitted, measured once per play by whoever draws it. */
export interface LineLayout {
  pieces: TextPiece[]
  sizePx: number
  widthPx: number
  heightPx: number
  isCut: boolean
}

interface VisualBase {
  partId: string
  /** Maps the part's own box (0,0 top left, `widthPx` × `heightPx`) onto the canvas. */
  matrix: Matrix
  widthPx: number
  heightPx: number
  opacity: number
}

/** One thing to draw. In drawing order, the first lies at the back. */
export type VisualState =
  | (VisualBase & { kind: 'picture'; mediaId: string | null })
  | (VisualBase & { kind: 'line'; pieces: TextPiece[]; sizePx: number })
  | (VisualBase & { kind: 'backdrop'; ink: string; cornerPx: number })

/** A sound that should be heard right now, and from which moment of its file. */
export interface SoundState {
  partId: string
  mediaId: string
  sourceOffsetMs: number
  gainDb: number
}

/** Everything seen and heard at one moment of a score. */
export interface SceneState {
  visuals: VisualState[]
  sounds: SoundState[]
}
