import * as z from 'zod'

/** What a case is saved as. */
export const filmKinds = ['webm', 'webp'] as const
export type FilmKind = (typeof filmKinds)[number]

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

export const filmShare = z.enum(['whole', 'half', 'third'])
/** How much of the canvas's size a film has, each way. */
export type FilmShare = z.infer<typeof filmShare>
const shares: Record<FilmShare, number> = { whole: 1, half: 1 / 2, third: 1 / 3 }

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

/** When a frame begins, in whole milliseconds, and how long it stays. */
export function frameAt(plan: FilmPlan, frame: number): { atMs: number; durationMs: number } {
  const beginsMs = (index: number) => Math.min(plan.lengthMs, Math.round((index * 1000) / plan.framesPerSecond))
  const atMs = Math.min(beginsMs(frame), plan.lengthMs - 1)
  return { atMs, durationMs: Math.max(1, beginsMs(frame + 1) - atMs) }
}
