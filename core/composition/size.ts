/** How large something is, in canvas pixels. */
export interface Size {
  widthPx: number
  heightPx: number
}
