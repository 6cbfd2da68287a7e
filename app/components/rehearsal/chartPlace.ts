/** Where what is drawn lies in each picture of a night, from its left and from its right. */
export const edgePx = 66
export const rightPx = 14
