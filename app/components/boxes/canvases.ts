import type { Canvas } from '../../../core/composition/canvas.ts'

export interface NamedCanvas {
  name: string
  note: string
  canvas: Canvas
}

/** The canvases that a box can have, each called by what it is for. */
export const canvases: readonly NamedCanvas[] = [
  { name: 'Wide', note: 'most broadcasts', canvas: { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 } },
  { name: 'Tall', note: 'phones', canvas: { widthPx: 1080, heightPx: 1920, framesPerSecond: 60 } },
  { name: 'Square', note: 'a corner of a scene', canvas: { widthPx: 1080, heightPx: 1080, framesPerSecond: 60 } },
]

/** The same for boards; and one that lies along an edge. */
export const boardCanvases: readonly NamedCanvas[] = [
  ...canvases.slice(0, 2),
  { name: 'Strip', note: 'along an edge', canvas: { widthPx: 1080, heightPx: 240, framesPerSecond: 60 } },
]

const isSameCanvas = (one: Canvas, other: Canvas) =>
  one.widthPx === other.widthPx && one.heightPx === other.heightPx && one.framesPerSecond === other.framesPerSecond

/** The same with that of a pack, where it is none of them. */
export function canvasesWith(designed: Canvas | null): readonly NamedCanvas[] {
  return designed === null || canvases.some(({ canvas }) => isSameCanvas(canvas, designed))
    ? canvases
    : [{ name: 'As designed', note: `${designed.framesPerSecond} frames a second`, canvas: designed }, ...canvases]
}

/** The very one of these that is as another. */
export const asListed = (wanted: Canvas, listed: readonly NamedCanvas[]): Canvas =>
  listed.find(({ canvas }) => isSameCanvas(canvas, wanted))?.canvas ?? wanted
