import type { FromVectorWorker, ToVectorWorker } from '../vector/talk.ts'

/** A vector animation that can show any of its moments. */
export interface VectorAnimation {
  /** The moment that was drawn last, and what it looks like; null before the first. */
  readonly shown: { atMs: number; frame: ImageBitmap } | null
  /** Asks for a moment; of several that are asked for in a breath the last one comes. `onShown` is told when it is there. */
  show(atMs: number): void
  /** Resolves when the moment that was asked for last is there, or will never be. */
  settled(): Promise<void>
  close(): void
}

/** An animation ready to be drawn at any moment, as large as it is wanted. */
export interface LoadedVector {
  kind: 'vector'
  widthPx: number
  heightPx: number
  /** How many frames it has at its own rate. */
  frames: number
  open(widthPx: number, heightPx: number, onShown: () => void): VectorAnimation
  /** Ends the worker that draws it. */
  end(): void
}

const script = '/workers/vector.js'
/** What takes longer for one picture would hold up everything: it is ended. */
const drawnWithinMs = 2_500
const loadedWithinMs = 6_000

/**
 * A Lottie animation. It is drawn in a worker of its own, with a library that comes only with the first one that is shown, in
 * the build that has no evaluator of expressions: nothing in the file can run, style the page, ask anybody for anything or
 * hang what is around it.
 */
export async function loadVector(url: string): Promise<LoadedVector> {
  const answer = await fetch(url)
  if (!answer.ok) throw new Error(`The animation ${url} answered ${answer.status}`)
  const worker = new Worker(script, { type: 'module' })
  const listeners = new Map<number, (message: Extract<FromVectorWorker, { say: 'shown' }> | null) => void>()
  let nextId = 1
  let isEnded = false
  const send = (message: ToVectorWorker) => isEnded || worker.postMessage(message)
  const end = () => {
    isEnded = true
    worker.terminate()
    for (const listener of listeners.values()) listener(null)
  }
  const text = await answer.text()
  const { widthPx, heightPx, frames } = await new Promise<Extract<FromVectorWorker, { say: 'loaded' }>>(
    (resolve, reject) => {
      const fail = () => {
        end()
        reject(new Error(`The animation ${url} cannot be drawn`))
      }
      const late = setTimeout(fail, loadedWithinMs)
      worker.onerror = fail
      worker.onmessage = ({ data }: MessageEvent<FromVectorWorker>) => {
        if (data.say === 'broken') return fail()
        clearTimeout(late)
        if (data.say === 'loaded') resolve(data)
        else listeners.get(data.id)?.(data)
      }
      send({ say: 'load', text })
    },
  )
  return {
    kind: 'vector',
    widthPx,
    heightPx,
    frames,
    end,
    open(wantedWidthPx, wantedHeightPx, onShown) {
      const id = nextId++
      let shown: VectorAnimation['shown'] = null
      let wantedMs: number | null = null
      let asked: { atMs: number; late: ReturnType<typeof setTimeout> } | null = null
      let waiting: (() => void)[] = []
      const isSettled = () => isEnded || (asked === null && (wantedMs === null || wantedMs === shown?.atMs))
      const settle = () => {
        if (!isSettled()) return
        for (const resolve of waiting) resolve()
        waiting = []
      }
      const ask = () => {
        if (asked || isEnded || wantedMs === null || wantedMs === shown?.atMs) return settle()
        asked = { atMs: wantedMs, late: setTimeout(end, drawnWithinMs) }
        send({ say: 'show', id, atMs: wantedMs })
      }
      listeners.set(id, (message) => {
        if (asked) clearTimeout(asked.late)
        asked = null
        if (message) {
          shown?.frame.close()
          shown = message
          onShown()
        }
        ask()
      })
      send({ say: 'open', id, widthPx: wantedWidthPx, heightPx: wantedHeightPx })
      return {
        get shown() {
          return shown
        },
        show(atMs) {
          wantedMs = atMs
          ask()
        },
        settled: () => (isSettled() ? Promise.resolve() : new Promise((resolve) => waiting.push(resolve))),
        close() {
          if (asked) clearTimeout(asked.late)
          listeners.delete(id)
          shown?.frame.close()
          shown = null
          send({ say: 'close', id })
        },
      }
    },
  }
}
