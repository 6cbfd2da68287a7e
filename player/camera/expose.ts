import type { Canvas } from '../../core/composition/canvas.ts'
import { drawnAttribute } from '../plain.ts'
import { blank } from './blank.ts'
import { flattened } from './flattened.ts'
import { stillFrom } from './stills.ts'
import { drawEmoji, emoji } from './emojiPictures.ts'
import { isSame } from '../../core/isSame.ts'
import type { SceneState, VisualState } from '../../core/score/sceneState.ts'

/**
 * What a stage showed at a moment, back to front: what it had painted, copied as large as the picture will be, and what the
 * browser draws itself, as markup that says all of it.
 */
export type Layer = { is: 'painted'; canvas: HTMLCanvasElement } | { is: 'markup'; markup: string }
export interface Exposure {
  canvas: Canvas
  layers: Layer[]
}

/** Only a picture of this size is taken, in pixels. */
export interface FrameSize {
  widthPx: number
  heightPx: number
}

/** Letters that XML cannot hold. */
const unwritable =
  // eslint-disable-next-line no-control-regex
  /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g
const serializer = new XMLSerializer()

/**
 * Keeps what is on a stage right now. What was painted is copied at once: the stage may go on to another moment before the picture
 * is developed.
 * @param without parts that are left out
 */
export function expose(
  root: HTMLElement,
  scene: SceneState,
  canvas: Canvas,
  { widthPx, heightPx }: FrameSize,
  without: ReadonlySet<string> = new Set(),
): Exposure {
  const scale = widthPx / canvas.widthPx
  const elements = new Map(
    [...root.children].flatMap((each) =>
      each instanceof HTMLElement ? [[each.dataset.part ?? '', each] as const] : [],
    ),
  )
  const layers: Layer[] = []
  for (const state of scene.visuals) {
    const element = elements.get(state.partId)
    if (!element || without.has(state.partId) || state.opacity <= 0) continue
    const painted = paintedIn(element)
    const last = layers.at(-1)
    if (painted) {
      const layer = last?.is === 'painted' ? last : { is: 'painted' as const, canvas: blank(widthPx, heightPx) }
      if (layer !== last) layers.push(layer)
      copy(painted, state, layer.canvas, scale)
    } else if (last?.is === 'markup') last.markup += markupOf(element, state)
    else layers.push({ is: 'markup', markup: markupOf(element, state) })
  }
  return { canvas, layers }
}

/** Pixels of a part, and where in its box they stand. */
interface Painted {
  source: HTMLCanvasElement | HTMLVideoElement | HTMLImageElement
  filter: string
  /** The pane that shows them, and where they begin in it; null: they fill the box. */
  pane: { leftPx: number; topPx: number; widthPx: number; heightPx: number } | null
  inner: { leftPx: number; topPx: number; widthPx: number; heightPx: number } | null
}

/** A part that is painted: a canvas, or a window onto a file that draws itself. */
function paintedIn(element: HTMLElement): Painted | null {
  if (element instanceof HTMLCanvasElement) return { source: element, filter: '', pane: null, inner: null }
  const pane = element.firstElementChild
  const source = pane?.firstElementChild
  if (!(pane instanceof HTMLElement) || pane.style.overflow !== 'hidden') return null
  if (!(source instanceof HTMLVideoElement || source instanceof HTMLImageElement)) return null
  const filter = source.style.filter === 'none' ? '' : source.style.filter
  return { source, filter, pane: placeOf(pane), inner: placeOf(source) }
}

const placeOf = ({ style }: HTMLElement) => ({
  leftPx: Number.parseFloat(style.left),
  topPx: Number.parseFloat(style.top),
  widthPx: Number.parseFloat(style.width),
  heightPx: Number.parseFloat(style.height),
})

/** Copies the pixels of a part as the stage shows them: by its matrix, as opaque, as sharp and as much of it. */
function copy(
  { source, filter, pane, inner }: Painted,
  state: VisualState,
  onto: HTMLCanvasElement,
  scale: number,
): void {
  const context = onto.getContext('2d')
  if (!context) return
  const { widthPx, heightPx } = state
  const [a, b, c, d, e, f] = state.matrix
  context.save()
  context.setTransform(a * scale, b * scale, c * scale, d * scale, e * scale, f * scale)
  context.globalAlpha = state.opacity
  context.imageSmoothingQuality = 'high'
  // A filter of the page blurs before the part is placed, one of a canvas after.
  const blurPx = state.blurPx * scale * Math.sqrt(Math.abs(a * d - b * c))
  context.filter = [filter, blurPx > 0 ? `blur(${blurPx}px)` : ''].filter(Boolean).join(' ') || 'none'
  const clip = (x: number, y: number, width: number, height: number) => {
    context.beginPath()
    context.rect(x, y, width, height)
    context.clip()
  }
  if (state.cut) {
    const [top, right, bottom, left] = state.cut
    clip(left * widthPx, top * heightPx, widthPx * (1 - left - right), heightPx * (1 - top - bottom))
  }
  if (pane && inner) {
    clip(pane.leftPx, pane.topPx, pane.widthPx, pane.heightPx)
    context.translate(pane.leftPx + inner.leftPx, pane.topPx + inner.topPx)
    context.drawImage(source, 0, 0, inner.widthPx, inner.heightPx)
  } else context.drawImage(source, 0, 0, widthPx, heightPx)
  context.restore()
}

/** What was said of a part last, and in which state it was. */
const saidLately = new WeakMap<HTMLElement, { state: VisualState; markup: string }>()

function markupOf(element: HTMLElement, state: VisualState): string {
  const lately = saidLately.get(element)
  if (lately && isSame(lately.state, state)) return lately.markup
  const markup = writtenOut(element)
  saidLately.set(element, { state, markup })
  return markup
}

/** What the browser draws of a part, as XHTML that asks for no file: what is painted or fetched in it stands in it as data. */
function writtenOut(element: HTMLElement): string {
  const frame = element.querySelector('iframe')
  if (frame) return withoutFrame(element, frame)
  const held = element.querySelectorAll('canvas, img')
  const hasEmoji =
    emoji.test(element.textContent) ||
    [...element.querySelectorAll(`[${drawnAttribute}]`)].some((each) =>
      emoji.test(each.getAttribute(drawnAttribute) ?? ''),
    )
  if (held.length === 0 && !hasEmoji) return asXhtml(element)
  const shown = element.cloneNode(true) as HTMLElement
  if (held.length > 0) {
    shown.querySelectorAll<HTMLElement>('canvas, img').forEach((copied, index) => {
      const original = held[index]
      if (!(original instanceof HTMLCanvasElement || original instanceof HTMLImageElement)) return
      const still = stillFrom(original) ?? document.createElement('span')
      still.style.cssText = copied.style.cssText
      copied.replaceWith(still)
    })
  }
  if (hasEmoji) drawEmoji(element, shown, drawnAttribute)
  return asXhtml(shown)
}

/** A part with a document of its own: as it stands right now. */
function withoutFrame(element: HTMLElement, frame: HTMLIFrameElement): string {
  const shown = element.cloneNode(true) as HTMLElement
  shown.querySelector('iframe')?.replaceWith(flattened(frame))
  return asXhtml(shown)
}

const asXhtml = (element: HTMLElement) => serializer.serializeToString(element).replaceAll(unwritable, '')
