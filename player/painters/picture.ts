import { filterFor } from '../washFilter.ts'
import type { PictureState } from '../../core/score/parts/picture/evaluatePicture.ts'
import { pictureRects } from '../../core/score/parts/picture/pictureRects.ts'
import type { ResolvedPicture } from '../../core/score/parts/picture/resolvePicture.ts'
import type { LoadedDrawing } from '../frame/drawing.ts'
import { frameAt } from '../preload/frames.ts'
import type { LoadedPicture } from '../preload/pictures.ts'
import type { LoadedVector, VectorAnimation } from '../preload/vector.ts'
import { boxWriter, makePartElement, styleWriter, type Painter } from './paint.ts'
import { makeWindow } from './pictureWindow.ts'
import { paintVideo } from './video.ts'

const longestSidePx = 4096

/** A picture of whatever kind its file is. One that could not be loaded leaves its box empty. */
export function paintPicture(part: ResolvedPicture, picture: LoadedPicture | undefined): Painter<PictureState> {
  if (picture?.kind === 'video') return paintVideo(part, picture)
  if (picture?.kind === 'drawing') return paintDrawing(part, picture)
  if (picture?.kind === 'selfRunning') return paintSelfRunning(part, picture)
  return paintOnCanvas(part, picture)
}

/** On a canvas of its own, painted only when its frame or its colours change: no decoding while it moves. */
function paintOnCanvas(
  part: ResolvedPicture,
  picture: Extract<LoadedPicture, { kind: 'still' | 'frames' | 'vector' }> | undefined,
): Painter<PictureState> {
  const canvas = makePartElement('canvas', part.id)
  const shrink = Math.min(1, longestSidePx / Math.max(part.widthPx, part.heightPx))
  canvas.width = Math.max(1, Math.round(part.widthPx * shrink))
  canvas.height = Math.max(1, Math.round(part.heightPx * shrink))
  const context = canvas.getContext('2d')
  const writeBox = boxWriter(canvas)
  const rects =
    picture && pictureRects(picture, { widthPx: canvas.width, heightPx: canvas.height }, part.fit, part.crop)
  let painted = ''
  let filter = ''
  /** Copies the wanted stretch of a picture, which may be of another size than its file says. */
  const copy = (image: CanvasImageSource, ratio: number) => {
    if (!context || !rects) return
    const { from, to } = rects
    context.clearRect(0, 0, canvas.width, canvas.height)
    context.filter = filter || 'none'
    context.imageSmoothingQuality = 'high'
    context.drawImage(
      image,
      from.x * ratio,
      from.y * ratio,
      from.width * ratio,
      from.height * ratio,
      to.x,
      to.y,
      to.width,
      to.height,
    )
  }
  const copyVector = () => {
    if (picture && vector?.shown) copy(vector.shown.frame, vector.shown.frame.width / picture.widthPx)
  }
  const vector = picture?.kind === 'vector' && rects ? openVector(picture, rects, copyVector) : null
  return {
    element: canvas,
    draw(state) {
      writeBox(state)
      if (!context || !picture || !rects) return
      const frame = picture.kind === 'frames' ? frameAt(picture.frames, state.frameMs) : null
      filter = filterFor(state.tint)
      const wanted = `${frame?.startsMs ?? (vector ? state.frameMs : 0)}/${filter}`
      if (wanted === painted) return
      painted = wanted
      if (picture.kind === 'still') copy(picture.image, 1)
      else if (vector) {
        // As it was until the moment that is wanted has been drawn.
        copyVector()
        vector.show(state.frameMs)
      } else if (frame) copy(frame.bitmap, frame.bitmap.width / picture.widthPx)
    },
    ...(vector ? { settled: () => vector.settled() } : {}),
    close: () => vector?.close(),
  }
}

/** A vector animation as large as it is seen, so that it is sharp. */
function openVector(
  picture: LoadedVector,
  { from, to }: ReturnType<typeof pictureRects>,
  onShown: () => void,
): VectorAnimation {
  const scale = Math.min(
    Math.max(to.width / Math.max(1, from.width), to.height / Math.max(1, from.height)),
    longestSidePx / Math.max(picture.widthPx, picture.heightPx),
  )
  return picture.open(picture.widthPx * scale, picture.heightPx * scale, onShown)
}

/** A window onto a document of its own, whose animations are brought to each moment. */
function paintDrawing(part: ResolvedPicture, picture: LoadedDrawing): Painter<PictureState> {
  const own = picture.open()
  const element = makeWindow(part, picture, own.element)
  const writeBox = boxWriter(element)
  const write = styleWriter(own.element)
  return {
    element,
    draw(state) {
      writeBox(state)
      write('filter', filterFor(state.tint) || 'none')
      own.seek(state.frameMs)
    },
  }
}

function paintSelfRunning(
  part: ResolvedPicture,
  picture: Extract<LoadedPicture, { kind: 'selfRunning' }>,
): Painter<PictureState> {
  const image = new Image()
  image.src = picture.url
  const element = makeWindow(part, picture, image)
  const writeBox = boxWriter(element)
  const write = styleWriter(image)
  return {
    element,
    draw(state) {
      writeBox(state)
      write('filter', filterFor(state.tint) || 'none')
    },
  }
}
