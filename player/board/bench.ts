/** Where things are measured before they are drawn: in the document, and never seen. */
let bench: HTMLElement | null = null

/** Measures an element as it will be drawn, unscaled. Its fonts have to be there. */
export function measured(element: HTMLElement): { widthPx: number; heightPx: number } {
  if (!bench) {
    bench = document.createElement('div')
    Object.assign(bench.style, {
      all: 'initial',
      position: 'fixed',
      left: '-99999px',
      top: '0',
      visibility: 'hidden',
      contain: 'layout style',
    })
    bench.setAttribute('aria-hidden', 'true')
  }
  if (!bench.isConnected) document.body.append(bench)
  bench.append(element)
  const size = { widthPx: element.offsetWidth, heightPx: element.offsetHeight }
  element.remove()
  return size
}
