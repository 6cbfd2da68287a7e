import type { CodeState } from '../../core/score/parts/code/evaluateCode.ts'
import type { CodeNode } from '../../core/score/parts/code/readMarkup.ts'
import type { ResolvedCode } from '../../core/score/parts/code/resolveCode.ts'
import { fontStack } from '../fontStack.ts'
import { makeOwnDocument, sheetIn } from '../frame/ownDocument.ts'
import type { FrameFont } from '../frame/frameFonts.ts'
import { boxWriter, makePartElement, rounded, type Painter } from './paint.ts'

export { loadFrameFonts } from '../frame/frameFonts.ts'

const svgSpace = 'http://www.w3.org/2000/svg'

/** What a document begins with, so that it is drawn as a part of an alert rather than as a page. */
const base = `html,body{margin:0;width:100%;height:100%;overflow:hidden;background:none}
body{font-family:var(--text);color:var(--body);font-size:40px;line-height:1.24}`
/** Transitions begin when they are looked at, not by the score's clock. */
const rule = '*,*::before,*::after{transition:none!important;cursor:none!important}'

/** A document of one's own in a box: filled once, its animations brought to each moment. */
export function paintCode(part: ResolvedCode, fonts: readonly FrameFont[]): Painter<CodeState> {
  const element = makePartElement('div', part.id)
  const writeBox = boxWriter(element)
  const own = makeOwnDocument((made, scope) => {
    for (const { bytes, family, ...described } of fonts)
      made.fonts.add(new scope.FontFace(family, bytes, { ...described, display: 'block' }))
    made.adoptedStyleSheets = [base, part.css, rule].map((css) => sheetIn(scope, css))
    const { style } = made.documentElement
    for (const [name, value] of Object.entries(part.properties)) style.setProperty(name, value)
    for (const [role, { family }] of Object.entries(part.types)) style.setProperty(`--${role}`, fontStack(family))
    made.body.append(...part.nodes.map((node) => builtIn(made, node)))
  })
  Object.assign(own.element.style, { position: 'absolute', left: '0', top: '0', width: '100%', height: '100%' })
  element.append(own.element)
  const write = (state: CodeState) => {
    const style = own.open()?.documentElement.style
    if (!style) return
    const values: Record<string, number> = {
      '--t': state.intoMs / 1000,
      '--enter': state.enter,
      '--leave': state.leave,
    }
    for (const name of part.follows) style.setProperty(name, rounded(values[name] ?? 0))
  }
  return {
    element,
    draw(state) {
      writeBox(state)
      write(state)
      own.seek(state.intoMs)
    },
  }
}

/** Builds what was checked, element by element: nothing of it is ever read as markup. */
function builtIn(made: Document, node: CodeNode): Node {
  if (typeof node === 'string') return made.createTextNode(node)
  const { tag, isDrawn, attributes, children } = node
  const element = isDrawn ? made.createElementNS(svgSpace, tag) : made.createElement(tag)
  for (const [name, value] of Object.entries(attributes)) {
    if (name === 'style') (element as HTMLElement | SVGElement).style.cssText = value
    else element.setAttribute(name, value)
  }
  element.append(...children.map((child) => builtIn(made, child)))
  return element
}
