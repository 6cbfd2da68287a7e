import type { Size } from '../composition/size.ts'

/** What a text's room follows from before anybody knows its words. */
interface NewText {
  sizePx: number
  lineHeight: number
  fit: string
  maxLines: number
  maxWidthPx: number
}

/** Letters that a line is thought to have while nobody knows; about half an em each. */
const usualLetters = 14
const letterEm = 0.52

/** How high a text usually is, in canvas pixels: one that is broken into lines has two. */
export const usualHeightPx = ({ sizePx, lineHeight, fit, maxLines }: Omit<NewText, 'maxWidthPx'>): number =>
  sizePx * lineHeight * (fit === 'wrap' ? Math.min(2, maxLines) : 1)

/** The room of a line whose words nobody knows yet. */
export const newLineSize = (text: NewText): Size => ({
  widthPx: Math.min(text.maxWidthPx, text.sizePx * letterEm * usualLetters),
  heightPx: usualHeightPx(text),
})
