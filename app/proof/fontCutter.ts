import type { CutFont } from '../../player/camera/develop.ts'
import type { CutAnswer, CutQuestion } from '../workers/fontCut.worker.ts'

const keptMost = 400
/** What has not come by then does not come: the letters are drawn with another typeface. */
const longestMs = 20_000

/** Cuts fonts down to some letters in a worker; what was cut lately is at hand. */
export function openFontCutter(): { cut: CutFont; close: () => void } {
  const worker = new Worker(new URL('../workers/fontCut.worker.ts', import.meta.url), { type: 'module' })
  const waiting = new Map<number, (font: ArrayBuffer | null) => void>()
  const kept = new Map<string, Promise<string | null>>()
  let nextId = 1
  const answerAll = () => {
    for (const answer of waiting.values()) answer(null)
    waiting.clear()
  }
  worker.addEventListener('message', ({ data: { id, font } }: MessageEvent<CutAnswer>) => {
    waiting.get(id)?.(font)
    waiting.delete(id)
  })
  worker.addEventListener('error', answerAll)
  const ask = (url: string, letters: string) =>
    new Promise<ArrayBuffer | null>((resolve) => {
      const id = nextId++
      waiting.set(id, resolve)
      setTimeout(() => {
        if (waiting.delete(id)) resolve(null)
      }, longestMs)
      worker.postMessage({ id, url, letters } satisfies CutQuestion)
    })
  return {
    cut({ url, letters }) {
      const key = `${url} ${letters}`
      const known = kept.get(key)
      if (known) return known
      const cutting = ask(url, letters).then((font) => font && base64Of(new Uint8Array(font)))
      const [oldest] = kept.keys()
      if (kept.size >= keptMost && oldest !== undefined) kept.delete(oldest)
      kept.set(key, cutting)
      return cutting
    },
    close() {
      worker.terminate()
      answerAll()
    },
  }
}

const pieceBytes = 0x8000

function base64Of(bytes: Uint8Array): string {
  let text = ''
  for (let at = 0; at < bytes.length; at += pieceBytes)
    text += String.fromCharCode(...bytes.subarray(at, at + pieceBytes))
  return btoa(text)
}
