import type { TextLine } from './textLine.ts'
import type { TextUnit } from './units.ts'

/** A piece of a text that moves by itself, and where it lies in the text's box. Canvas pixels. */
export interface PlacedUnit extends TextUnit {
  xPx: number
  yPx: number
  widthPx: number
  heightPx: number
}

/** How a text was fitted, measured once per play by whoever draws it. Lengths in canvas pixels, unscaled. */
export interface TextLayout {
  lines: TextLine[]
  sizePx: number
  /** The box that the text takes on the canvas: for scrolling text the window, not the text behind it. */
  widthPx: number
  heightPx: number
  /** Something had to be left out: the end stands as an ellipsis. */
  isCut: boolean
  /** What its letter motion moves one by one; empty where the text moves as a whole. */
  units: PlacedUnit[]
}
