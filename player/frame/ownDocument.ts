/**
 * A document of its own within the page: it is laid out by itself, cannot be reached from the page's styles or reach them, runs
 * no script and fetches nothing. Its animations stand still but where they are told.
 */
export interface OwnDocument {
  element: HTMLIFrameElement
  /** The document; null while its frame is in no page. One that was taken out and put in again is filled again. */
  open(): Document | null
  /** Brings every animation to a moment since the document appeared, in milliseconds. */
  seek(tMs: number): void
}

/** Nothing is fetched: what is drawn stands in the document as data. Nothing runs for want of `allow-scripts`. */
const policy = "default-src 'none'; img-src data:"

/**
 * @param fill makes what is in it, once for each time that it appears; styles come as constructed sheets, which no policy of the
 * page forbids
 */
export function makeOwnDocument(fill: (own: Document, scope: Window & typeof globalThis) => void): OwnDocument {
  const element = document.createElement('iframe')
  // Same origin, so that it can be filled and told its moment from here; without scripts that gives it nothing.
  element.setAttribute('sandbox', 'allow-same-origin')
  element.setAttribute('tabindex', '-1')
  element.ariaHidden = 'true'
  // As its content's: of another colour scheme it would not be transparent.
  Object.assign(element.style, { all: 'initial', border: '0', pointerEvents: 'none' })
  let filled: Document | null = null
  const moving = new Set<Animation>()

  const open = () => {
    const own = element.contentDocument
    const scope = element.contentWindow as (Window & typeof globalThis) | null
    if (!own || !scope) return null
    if (own !== filled) {
      filled = own
      moving.clear()
      const rule = own.createElement('meta')
      rule.httpEquiv = 'Content-Security-Policy'
      rule.content = policy
      own.head.append(rule)
      fill(own, scope)
    }
    return own
  }
  return {
    element,
    open,
    seek(tMs) {
      const own = open()
      if (!own) return
      // One that is over is not listed any more, and has to be found again when the moment goes back.
      for (const animation of own.getAnimations()) moving.add(animation)
      for (const animation of moving) {
        if (animation.playState === 'idle') moving.delete(animation)
        else {
          if (animation.playState !== 'paused') animation.pause()
          animation.currentTime = tMs
        }
      }
      for (const drawing of own.querySelectorAll('svg')) {
        if (drawing.ownerSVGElement) continue
        drawing.pauseAnimations()
        drawing.setCurrentTime(tMs / 1000)
      }
    },
  }
}

/** A constructed style sheet of a document. */
export function sheetIn(scope: Window & typeof globalThis, css: string): CSSStyleSheet {
  const sheet = new scope.CSSStyleSheet()
  sheet.replaceSync(css)
  return sheet
}
