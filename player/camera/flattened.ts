/** Properties that what is within takes over where it says nothing itself. */
const inherited =
  /^(?:color|direction|font|letter-spacing|line-height|list-style|overflow-wrap|paint-order|quotes|tab-size|text-|visibility|white-space|word-|writing-mode|hyphens|fill|stroke|clip-rule|marker|-webkit-text|-webkit-font|border-collapse|border-spacing|caption-side)/
/** What says nothing of a picture that stands still, or says once more what other properties say. */
const passedOver =
  /^(?:animation|transition|cursor|pointer-events|scroll|overscroll|touch|user-|-webkit-user|will-change|.*(?:inline|block)-(?:size|start|end)|(?:inline|block)-size|perspective-origin$|view-|timeline|app-region|interactivity|position-|anchor|zoom)/

const plainOf = new WeakMap<Document, Map<string, Map<string, string>>>()

/** How an element of a kind looks where nobody says anything. */
function plainLooks(own: Document, scope: Window, like: Element): Map<string, string> {
  const known = plainOf.get(own) ?? new Map<string, Map<string, string>>()
  plainOf.set(own, known)
  const key = `${like.namespaceURI} ${like.localName}`
  const made = known.get(key)
  if (made) return made
  const bench = own.createElement('div')
  bench.style.cssText = 'all:initial;position:absolute;visibility:hidden'
  const element = own.createElementNS(like.namespaceURI, like.localName)
  ;(element as HTMLElement).style.cssText = 'all:revert'
  bench.append(element)
  own.documentElement.append(bench)
  const looks = new Map<string, string>()
  const computed = scope.getComputedStyle(element)
  for (const name of computed) looks.set(name, computed.getPropertyValue(name))
  looks.set('visibility', 'visible')
  bench.remove()
  known.set(key, looks)
  return looks
}

/** A style that says what a browser has worked out of an element, as far as that is not what it does anyway. */
function saidOf(
  computed: CSSStyleDeclaration,
  plain: ReadonlyMap<string, string>,
  above: ReadonlySet<string>,
): Map<string, string> {
  const said = new Map<string, string>()
  for (const name of computed) {
    if (name.startsWith('--') || passedOver.test(name)) continue
    const value = computed.getPropertyValue(name)
    if (value !== plain.get(name) || (above.has(name) && inherited.test(name))) said.set(name, value)
  }
  return said
}

const written = (said: ReadonlyMap<string, string>) => [...said].map(([name, value]) => `${name}:${value}`).join(';')

/**
 * A document of its own as it stands right now, as elements that say all of their looks themselves: for pictures, in which there
 * are no documents within one another. Texts that a style sheet brings in stand in it, counters do not.
 */
export function flattened(frame: HTMLIFrameElement): HTMLElement {
  const flat = document.createElement('div')
  flat.style.cssText = frame.style.cssText
  const own = frame.contentDocument
  const scope = frame.contentWindow
  if (!own || !scope) return flat
  const box = document.createElement('div')
  box.style.cssText = `all:initial;display:block;position:relative;overflow:hidden;width:${frame.clientWidth}px;height:${frame.clientHeight}px`
  box.append(copied(own.documentElement, own, scope, new Set()))
  flat.append(box)
  return flat
}

function copied(element: Element, own: Document, scope: Window, above: ReadonlySet<string>): Element {
  const isPage = element === own.documentElement || element === own.body
  const copy = isPage ? document.createElement('div') : (element.cloneNode(false) as Element)
  const computed = scope.getComputedStyle(element)
  const said = saidOf(computed, plainLooks(own, scope, element), above)
  const style = (copy as HTMLElement | SVGElement).style
  copy.removeAttribute('class')
  style.cssText = written(said)
  if (element instanceof (scope as Window & typeof globalThis).SVGElement) keepDrawn(element, copy)
  const within = new Set([...above, ...said.keys()])
  const before = pseudo(element, '::before', own, scope, within)
  const after = pseudo(element, '::after', own, scope, within)
  if (before) copy.append(before)
  for (const child of element.childNodes) {
    if (child.nodeType === Node.TEXT_NODE) copy.append(child.textContent ?? '')
    else if (
      child.nodeType === Node.ELEMENT_NODE &&
      !/^(?:head|style|script|animate|animateMotion|animateTransform|set)$/.test((child as Element).localName)
    )
      copy.append(copied(child as Element, own, scope, within))
  }
  if (after) copy.append(after)
  return copy
}

/** What moves in a drawing without its style: its attributes as they are just now. */
function keepDrawn(element: SVGElement, copy: Element): void {
  for (const { name } of element.attributes) {
    const value = (element as unknown as Record<string, unknown>)[name]
    const now = (value as { animVal?: unknown } | undefined)?.animVal
    // Of another document: none of its things is an instance of anything here.
    if (typeof now === 'object' && now !== null && 'valueAsString' in now)
      copy.setAttribute(name, String(now.valueAsString))
    else if (typeof now === 'number') copy.setAttribute(name, String(now))
  }
  const turned = (element as Partial<SVGGraphicsElement>).transform?.animVal
  if (!turned || turned.numberOfItems === 0) return
  const all = Array.from({ length: turned.numberOfItems }, (_, at) => {
    const { a, b, c, d, e, f } = turned.getItem(at).matrix
    return `matrix(${[a, b, c, d, e, f].join(' ')})`
  })
  copy.setAttribute('transform', all.join(' '))
}

/** Something that a style sheet puts before or behind what an element holds. */
function pseudo(
  element: Element,
  which: '::before' | '::after',
  own: Document,
  scope: Window,
  above: ReadonlySet<string>,
): HTMLElement | null {
  const computed = scope.getComputedStyle(element, which)
  const { content } = computed
  if (content === 'none' || content === 'normal' || content === '') return null
  const made = document.createElement('span')
  const said = saidOf(computed, plainLooks(own, scope, own.createElement('span')), above)
  said.delete('content')
  made.style.cssText = written(said)
  made.textContent = [...content.matchAll(/"((?:[^"\\]|\\.)*)"/g)].map(([, text = '']) => unescaped(text)).join('')
  return made
}

const unescaped = (text: string) =>
  text.replaceAll(/\\(?:([0-9a-f]{1,6})\s?|(.))/gi, (_, code?: string, letter?: string) =>
    code === undefined ? (letter ?? '') : String.fromCodePoint(Number.parseInt(code, 16)),
  )
