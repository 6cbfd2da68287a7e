/** A vector animation that can show any of its moments. */
export interface VectorAnimation {
  canvas: HTMLCanvasElement
  show(atMs: number): void
  close(): void
}

/** An animation ready to be drawn at any moment, as large as it is wanted. */
export interface LoadedVector {
  kind: 'vector'
  widthPx: number
  heightPx: number
  /** How many frames it has at its own rate. */
  frames: number
  open(widthPx: number, heightPx: number): VectorAnimation
}

interface VectorJson {
  w: number
  h: number
  fr: number
  ip: number
  op: number
}

/**
 * A Lottie animation. Its library comes only with the first one that is shown, in the build that has no evaluator of
 * expressions: nothing in the file can run.
 */
export async function loadVector(url: string): Promise<LoadedVector> {
  const [answer, { default: lottie }] = await Promise.all([
    fetch(url),
    import('lottie-web/build/player/lottie_light_canvas'),
  ])
  if (!answer.ok) throw new Error(`The animation ${url} answered ${answer.status}`)
  const text = await answer.text()
  const { w, h, fr, ip, op } = JSON.parse(text) as VectorJson
  return {
    kind: 'vector',
    widthPx: w,
    heightPx: h,
    frames: op - ip,
    open(widthPx, heightPx) {
      const canvas = document.createElement('canvas')
      canvas.width = Math.max(1, Math.round(widthPx))
      canvas.height = Math.max(1, Math.round(heightPx))
      const context = canvas.getContext('2d')
      if (!context) throw new Error('no canvas')
      const animation = lottie.loadAnimation({
        renderer: 'canvas',
        loop: false,
        autoplay: false,
        // The library writes into what it is given: each animation gets its own.
        animationData: JSON.parse(text) as unknown,
        rendererSettings: { context, clearCanvas: true, preserveAspectRatio: 'none' } as never,
      } as never)
      return {
        canvas,
        show: (atMs) => animation.goToAndStop(Math.min(op - ip - 0.01, (atMs * fr) / 1000), true),
        close: () => animation.destroy(),
      }
    },
  }
}
