/** What a case is saved as. */
export type FilmKind = 'webm' | 'webp'

/** How a film is made: what its frames are, and how large. */
export interface FilmPlan {
  kind: FilmKind
  widthPx: number
  heightPx: number
  framesPerSecond: number
  lengthMs: number
}

/** Programs show moving pictures of more frames slower than they are. */
const webpFramesPerSecondMost = 30

const shares = { whole: 1, half: 1 / 2, third: 1 / 3 }
/** How much of the canvas's size a film has, each way. */
export type FilmShare = keyof typeof shares

const even = (px: number) => Math.max(2, 2 * Math.round(px / 2))

/** Sizes are even: video coders share colours among four pixels. */
export function planFilm(
  kind: FilmKind,
  canvas: { widthPx: number; heightPx: number; framesPerSecond: number },
  lengthMs: number,
  share: FilmShare,
): FilmPlan {
  const { framesPerSecond } = canvas
  return {
    kind,
    widthPx: even(canvas.widthPx * shares[share]),
    heightPx: even(canvas.heightPx * shares[share]),
    framesPerSecond: kind === 'webp' ? Math.min(framesPerSecond, webpFramesPerSecondMost) : framesPerSecond,
    lengthMs,
  }
}

/** How many frames it has; the last may be shorter. */
export const framesOf = ({ framesPerSecond, lengthMs }: FilmPlan) =>
  Math.max(1, Math.ceil((lengthMs * framesPerSecond) / 1000 - 1e-9))

/**
 * When a frame begins and how long it stays, in whole units; the last ends with the film.
 * @param unitsPerSecond 1,000 for milliseconds
 */
export function frameAt(
  { lengthMs, framesPerSecond }: FilmPlan,
  frame: number,
  unitsPerSecond = 1000,
): { at: number; lasts: number } {
  const end = (lengthMs * unitsPerSecond) / 1000
  const begins = (index: number) => Math.min(end, Math.round((index * unitsPerSecond) / framesPerSecond))
  const at = Math.min(begins(frame), end - 1)
  return { at, lasts: Math.max(1, begins(frame + 1) - at) }
}
