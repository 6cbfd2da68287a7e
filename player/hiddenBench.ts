import { plain } from './plain.ts'
/** Where things are measured before they are drawn: to be put into the document, and never seen. */
export function hiddenBench(): HTMLElement {
  const bench = document.createElement('div')
  plain(bench, {
    position: 'fixed',
    left: '-99999px',
    top: '0',
    visibility: 'hidden',
    contain: 'layout style',
  })
  bench.setAttribute('aria-hidden', 'true')
  return bench
}
