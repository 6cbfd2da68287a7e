import { hiddenBench } from '../hiddenBench.ts'

let bench: HTMLElement | null = null

/** Measures an element as it will be drawn, unscaled. Its fonts have to be there. */
export function measured(element: HTMLElement): { widthPx: number; heightPx: number } {
  bench ??= hiddenBench()
  if (!bench.isConnected) document.body.append(bench)
  bench.append(element)
  const size = { widthPx: element.offsetWidth, heightPx: element.offsetHeight }
  element.remove()
  return size
}
