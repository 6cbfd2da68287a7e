// What the library that draws vector animations asks of a page, as far as a worker can give it: canvases, and pictures that
// stand in the file itself. Nothing is fetched, nothing is styled, nothing is put anywhere. Has to be loaded before it.

type Scope = Record<string, unknown>
const scope = globalThis as unknown as Scope

const dataPicture = /^data:image\/(?:png|jpeg|webp|gif);base64,/i

/** A canvas that becomes the picture in its address. */
function pictureCanvas(): OffscreenCanvas {
  const canvas = new OffscreenCanvas(1, 1)
  const load = async (address: string) => {
    try {
      if (!dataPicture.test(address)) throw new Error('not in the file')
      const bytes = Uint8Array.from(atob(address.slice(address.indexOf(',') + 1)), (letter) => letter.charCodeAt(0))
      const bitmap = await createImageBitmap(new Blob([bytes]))
      canvas.width = bitmap.width
      canvas.height = bitmap.height
      canvas.getContext('2d')?.drawImage(bitmap, 0, 0)
      canvas.dispatchEvent(new Event('load'))
    } catch {
      canvas.dispatchEvent(new Event('error'))
    }
  }
  Object.defineProperty(canvas, 'src', { set: (address: string) => void load(String(address)) })
  return canvas
}

/**
 * A canvas whose context knows the one filter that the library makes of an SVG: brightness as transparency, for mattes.
 * Weights as there.
 */
function plainCanvas(): OffscreenCanvas {
  const canvas = new OffscreenCanvas(1, 1)
  const getContext = canvas.getContext.bind(canvas) as (kind: '2d') => OffscreenCanvasRenderingContext2D | null
  let context: OffscreenCanvasRenderingContext2D | null = null
  Object.defineProperty(canvas, 'getContext', {
    value: () => {
      context ??= brightnessAware(getContext('2d'))
      return context
    },
  })
  return canvas
}

function brightnessAware(context: OffscreenCanvasRenderingContext2D | null): OffscreenCanvasRenderingContext2D | null {
  if (!context) return null
  let isByBrightness = false
  Object.defineProperty(context, 'filter', {
    get: () => 'none',
    set: (filter: string) => (isByBrightness = filter.startsWith('url(')),
  })
  const drawImage = context.drawImage.bind(context) as (...given: unknown[]) => void
  Object.defineProperty(context, 'drawImage', {
    value: (...given: unknown[]) => {
      drawImage(...given)
      const { width, height } = context.canvas
      if (!isByBrightness || width === 0 || height === 0) return
      const pixels = context.getImageData(0, 0, width, height)
      for (let at = 0; at < pixels.data.length; at += 4) {
        const seen = (pixels.data[at + 3] ?? 0) / 255
        const sum = (pixels.data[at] ?? 0) + (pixels.data[at + 1] ?? 0) + (pixels.data[at + 2] ?? 0)
        pixels.data[at + 3] = Math.round(0.3 * sum * seen)
      }
      context.putImageData(pixels, 0, 0)
    },
  })
  return context
}

/** Whatever else is asked for: it takes everything and does nothing. */
const nothing = () => ({
  style: {},
  setAttribute: () => undefined,
  setAttributeNS: () => undefined,
  appendChild: () => undefined,
  addEventListener: () => undefined,
})

scope.window = globalThis
scope.document = {
  readyState: 'complete',
  body: { appendChild: () => undefined },
  createElement: (tag: string) => {
    if (tag === 'canvas') return plainCanvas()
    return tag === 'img' ? pictureCanvas() : nothing()
  },
  createElementNS: nothing,
  getElementsByTagName: () => [],
  getElementsByClassName: () => [],
  querySelectorAll: () => [],
}
