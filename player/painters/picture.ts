import type { ResolvedPicture } from '../../core/score/resolved.ts'
import { makePartElement, writeBox, type Painter } from './paint.ts'

const longestSidePx = 4096

/** A picture on a canvas of its own, fitted whole into its box and drawn once: no decoding while it moves. */
export function paintPicture(part: ResolvedPicture, picture: HTMLImageElement | undefined): Painter {
  const canvas = makePartElement('canvas', part.id)
  const shrink = Math.min(1, longestSidePx / Math.max(part.widthPx, part.heightPx))
  canvas.width = Math.max(1, Math.round(part.widthPx * shrink))
  canvas.height = Math.max(1, Math.round(part.heightPx * shrink))
  const context = canvas.getContext('2d')
  if (context && picture) {
    const scale = Math.min(canvas.width / picture.naturalWidth, canvas.height / picture.naturalHeight)
    const width = picture.naturalWidth * scale
    const height = picture.naturalHeight * scale
    context.imageSmoothingQuality = 'high'
    context.drawImage(picture, (canvas.width - width) / 2, (canvas.height - height) / 2, width, height)
  }
  return { element: canvas, draw: (state) => writeBox(canvas, state) }
}
