import type { Backdrop } from '../parts/backdrop/schema.ts'
import type { Line } from '../parts/line/schema.ts'
import type { Picture } from '../parts/picture/schema.ts'
import type { Sound } from '../parts/sound/schema.ts'
import type { Canvas } from './canvas.ts'
import type { Edge } from './clip.ts'

const untilTheEnd = { length: 'until' as const, edge: { at: 'score.end', offsetMs: 0 } }
const fromTheStart: Edge = { at: 'score.start', offsetMs: 0 }

/** Text is sized for a canvas 1080 on its shorter side. */
function reach(canvas: Canvas): number {
  return Math.min(canvas.widthPx, canvas.heightPx) / 1080
}

const pictureSidePx = 460
/** Where the picture's middle lies, as a ratio of the canvas height. */
const pictureAt = 0.37

/** A picture in the upper middle, ready to be given a file. */
export function starterPicture(canvas: Canvas, mediaId: string | null): Picture {
  const size = Math.round(pictureSidePx * reach(canvas))
  return {
    kind: 'picture',
    id: 'picture',
    name: 'Picture',
    clip: { start: fromTheStart, end: untilTheEnd },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * pictureAt), origin: 'centre' },
    motion: { entrance: { motion: 'spring', ms: 900 }, exit: { motion: 'fade', ms: 300 } },
    opacity: 1,
    mediaId,
    widthPx: size,
    heightPx: size,
    isMirrored: false,
    rotationDeg: 0,
  }
}

/** A line of text under where the picture stands; the second stands under the first. */
export function starterLine(canvas: Canvas, which: 'headline' | 'second', template: string, start: Edge = fromTheStart): Line {
  const isHeadline = which === 'headline'
  return {
    kind: 'line',
    id: which,
    name: isHeadline ? 'Headline' : 'Second line',
    clip: { start, end: untilTheEnd },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * pictureAt + (pictureSidePx / 2 + 70 + (isHeadline ? 0 : 122)) * reach(canvas)), origin: 'centre' },
    motion: { entrance: { motion: 'rise', ms: 450 }, exit: { motion: 'fade', ms: 300 } },
    opacity: 1,
    template,
    type: { role: isHeadline ? 'display' : 'text' },
    sizePx: Math.round((isHeadline ? 112 : 60) * reach(canvas)),
    floorPx: Math.round((isHeadline ? 52 : 36) * reach(canvas)),
    maxWidthPx: Math.round(canvas.widthPx * 0.86),
    ink: { role: isHeadline ? 'headline' : 'body' },
    highlightInk: { role: 'accent' },
    outline: { widthPx: Math.round((isHeadline ? 8 : 6) * reach(canvas)), ink: { role: 'outline' } },
  }
}

/** A sound heard from the first moment. */
export function starterSound(mediaId: string | null): Sound {
  return {
    kind: 'sound',
    id: 'sound',
    name: 'Sound',
    clip: { start: fromTheStart, end: { length: 'natural', times: 1 } },
    mediaId,
    gainDb: -6,
    isMuted: false,
  }
}

/** A plate behind the given parts, as long as the whole score. */
export function starterBackdrop(canvas: Canvas, hugs: string[], start: Edge = fromTheStart): Backdrop {
  return {
    kind: 'backdrop',
    id: 'backdrop',
    name: 'Backdrop',
    clip: { start, end: untilTheEnd },
    place: { xPx: canvas.widthPx / 2, yPx: Math.round(canvas.heightPx * 0.68), origin: 'centre' },
    motion: { entrance: { motion: 'fade', ms: 300 }, exit: { motion: 'fade', ms: 300 } },
    opacity: 0.72,
    hugs,
    widthPx: Math.round(canvas.widthPx * 0.6),
    heightPx: Math.round(canvas.heightPx * 0.24),
    paddingPx: Math.round(28 * reach(canvas)),
    cornerPx: Math.round(14 * reach(canvas)),
    ink: { role: 'plate' },
  }
}
