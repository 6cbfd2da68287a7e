/** What is said between a page and the worker that draws one vector animation for it. Moments are in milliseconds. */
export type ToVectorWorker =
  | { say: 'load'; text: string }
  | { say: 'open'; id: number; widthPx: number; heightPx: number }
  | { say: 'show'; id: number; atMs: number }
  | { say: 'close'; id: number }

export type FromVectorWorker =
  | { say: 'loaded'; widthPx: number; heightPx: number; frames: number }
  /** The animation as it looks at that moment. */
  | { say: 'shown'; id: number; atMs: number; frame: ImageBitmap }
  | { say: 'broken' }
