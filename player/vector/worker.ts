// Draws one vector animation at the moments that a page asks for. A worker of its own: what is in the file can neither style
// the page nor ask anybody for anything nor keep the page waiting; one that takes too long is ended from there.
import './workerPage.ts'
import lottie from 'lottie-web/build/player/lottie_light_canvas'
import type { FromVectorWorker, ToVectorWorker } from './talk.ts'

interface Opened {
  canvas: OffscreenCanvas
  animation: ReturnType<typeof lottie.loadAnimation>
  ready: Promise<unknown>
}

interface VectorJson {
  w: number
  h: number
  fr: number
  ip: number
  op: number
}

const opened = new Map<number, Opened>()
let text = ''
let facts: VectorJson = { w: 1, h: 1, fr: 1, ip: 0, op: 1 }

const tell = (message: FromVectorWorker, transfer: Transferable[] = []) => self.postMessage(message, { transfer })

function open(widthPx: number, heightPx: number): Opened {
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(widthPx)), Math.max(1, Math.round(heightPx)))
  const animation = lottie.loadAnimation({
    renderer: 'canvas',
    loop: false,
    autoplay: false,
    // The library writes into what it is given: each animation gets its own. Without fonts: none of them is fetched.
    animationData: withoutFonts(JSON.parse(text)),
    rendererSettings: { context: canvas.getContext('2d'), clearCanvas: true, preserveAspectRatio: 'none' } as never,
  } as never)
  const ready = animation.isLoaded
    ? Promise.resolve()
    : new Promise((resolve) => animation.addEventListener('DOMLoaded', () => resolve(null)))
  return { canvas, animation, ready }
}

/** Letters are drawn from outlines that the file brings; where it brings none, there are none. */
function withoutFonts(json: Record<string, unknown>): Record<string, unknown> {
  if (!Array.isArray(json.chars)) return { ...json, fonts: undefined }
  const { list = [] } = (json.fonts ?? {}) as { list?: Record<string, unknown>[] }
  return {
    ...json,
    fonts: { list: list.map(({ fName, fFamily, fStyle, ascent }) => ({ fName, fFamily, fStyle, ascent })) },
  }
}

async function take(message: ToVectorWorker): Promise<void> {
  switch (message.say) {
    case 'load': {
      text = message.text
      facts = JSON.parse(text) as VectorJson
      return tell({ say: 'loaded', widthPx: facts.w, heightPx: facts.h, frames: facts.op - facts.ip })
    }
    case 'open':
      opened.set(message.id, open(message.widthPx, message.heightPx))
      return
    case 'show': {
      const one = opened.get(message.id)
      if (!one) return
      await one.ready
      const { ip, op, fr } = facts
      one.animation.goToAndStop(Math.min(op - ip - 0.01, (message.atMs * fr) / 1000), true)
      const frame = await createImageBitmap(one.canvas)
      return tell({ say: 'shown', id: message.id, atMs: message.atMs, frame }, [frame])
    }
    case 'close': {
      opened.get(message.id)?.animation.destroy()
      opened.delete(message.id)
    }
  }
}

self.addEventListener('message', ({ data }: MessageEvent<ToVectorWorker>) => {
  take(data).catch(() => tell({ say: 'broken' }))
})
