import { computePosition, flip, offset, shift, type Placement } from '@floating-ui/dom'
import type { Directive } from 'vue'

interface HintValue {
  text: string
  placement?: Placement
}

/** One for the whole page: only what is hovered or focused has a hint. */
let bubble: HTMLElement | null = null
let shownFor: HTMLElement | null = null

function bubbleElement(): HTMLElement {
  if (bubble?.isConnected) return bubble
  bubble = document.createElement('div')
  bubble.className = 'hint'
  // What a hint says is the name of what it is for: it is read there.
  bubble.setAttribute('aria-hidden', 'true')
  document.body.append(bubble)
  return bubble
}

function hide(element: HTMLElement): void {
  if (shownFor !== element) return
  shownFor = null
  bubble?.remove()
}

function show(element: HTMLElement): void {
  const { text, placement = 'bottom' } = values.get(element) ?? { text: '' }
  if (!text) return
  shownFor = element
  const shown = bubbleElement()
  shown.textContent = text
  void computePosition(element, shown, {
    placement,
    strategy: 'fixed',
    middleware: [offset(6), flip(), shift({ padding: 6 })],
  }).then(({ x, y }) => Object.assign(shown.style, { left: `${x}px`, top: `${y}px` }))
}

const values = new WeakMap<HTMLElement, HintValue>()
const endings = new WeakMap<HTMLElement, AbortController>()
const valueOf = (value: string | HintValue): HintValue => (typeof value === 'string' ? { text: value } : value)

/**
 * Says what a mark without a name is for, at once when the pointer is over it or it has the focus. For sighted people:
 * the element itself has the name (`aria-label`). Escape takes it away.
 */
export const vHint: Directive<HTMLElement, string | HintValue> = {
  mounted(element, { value }) {
    values.set(element, valueOf(value))
    const ending = new AbortController()
    endings.set(element, ending)
    const { signal } = ending
    element.addEventListener('pointerenter', ({ pointerType }) => pointerType !== 'touch' && show(element), { signal })
    element.addEventListener('focus', () => element.matches(':focus-visible') && show(element), { signal })
    for (const type of ['pointerleave', 'blur', 'pointerdown'] as const)
      element.addEventListener(type, () => hide(element), { signal })
    element.addEventListener('keydown', ({ key }) => key === 'Escape' && hide(element), { signal })
  },
  updated(element, { value }) {
    values.set(element, valueOf(value))
    if (shownFor === element) show(element)
  },
  beforeUnmount(element) {
    hide(element)
    endings.get(element)?.abort()
  },
}
