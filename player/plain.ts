/** Letters that are drawn but not said stand in this attribute. */
export const drawnAttribute = 'data-drawn'
const plainAttribute = 'data-plain'

/**
 * The rules of all that is drawn, wherever it stands: nothing of the page around it, nor of what it stands in, reaches a plain
 * element. As a rule it costs nothing per frame; said in each element's own style, three hundred properties would be worked out
 * anew with every movement of it.
 */
export const drawingRules = `[${plainAttribute}]{all:initial;position:absolute;left:0;top:0}[${drawnAttribute}]::before{content:attr(${drawnAttribute})}`

let sheet: CSSStyleSheet | null = null

/** Makes an element that looks like nothing but what is said here; where nothing is, it stands at the top left of what it is in. */
export function plain<E extends HTMLElement>(element: E, style: Partial<CSSStyleDeclaration> = {}): E {
  if (!sheet) {
    sheet = new CSSStyleSheet()
    sheet.replaceSync(drawingRules)
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet]
  }
  element.setAttribute(plainAttribute, '')
  Object.assign(element.style, style)
  return element
}
