import type { Canvas } from '../../../core/composition/canvas.ts'

/** The canvases that a box can have, each called by what it is for. */
export const canvases: readonly { name: string; note: string; canvas: Canvas }[] = [
  { name: 'Wide', note: 'most broadcasts', canvas: { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 } },
  { name: 'Tall', note: 'phones', canvas: { widthPx: 1080, heightPx: 1920, framesPerSecond: 60 } },
  { name: 'Square', note: 'a corner of a scene', canvas: { widthPx: 1080, heightPx: 1080, framesPerSecond: 60 } },
]
