import { makeOwnDocument, sheetIn, type OwnDocument } from './ownDocument.ts'

/** A vector picture that moves: drawn by the browser in a document of its own, at any moment of it. */
export interface LoadedDrawing {
  kind: 'drawing'
  widthPx: number
  heightPx: number
  open(): OwnDocument
}

/** A drawing as large as its longest side is here: what is laid out by it is as large as a picture of it would be. */
const drawnSidePx = 1600
const page =
  'html,body{margin:0;width:100%;height:100%;overflow:hidden;background:none}svg{display:block;width:100%;height:100%}'

/** @throws for what is no SVG */
export async function loadDrawing(url: string): Promise<LoadedDrawing> {
  const answer = await fetch(url)
  if (!answer.ok) throw new Error(`The drawing ${url} answered ${answer.status}`)
  const read = new DOMParser().parseFromString(withoutStyles(await answer.text()), 'image/svg+xml')
  const root = read.documentElement
  if (!(root instanceof SVGSVGElement) || read.querySelector('parsererror')) throw new Error(`${url} is no drawing`)
  const { width, height } = sizeOf(root)
  const scale = drawnSidePx / Math.max(width, height)
  if (!root.hasAttribute('viewBox')) root.setAttribute('viewBox', `0 0 ${width} ${height}`)
  root.removeAttribute('width')
  root.removeAttribute('height')
  // Sheets are given to the document as such: pages allow no others.
  const sheets = [...root.querySelectorAll(heldSheet)].map((sheet) => {
    sheet.remove()
    return sheet.textContent
  })
  return {
    kind: 'drawing',
    widthPx: Math.round(width * scale),
    heightPx: Math.round(height * scale),
    open: () =>
      makeOwnDocument((own, scope) => {
        own.adoptedStyleSheets = [page, ...sheets].map((css) => sheetIn(scope, css))
        const drawn = own.importNode(root, true)
        for (const element of [drawn, ...drawn.querySelectorAll<SVGElement>(`[${heldStyle}]`)])
          element.style.cssText = element.getAttribute(heldStyle) ?? ''
        own.body.append(drawn)
      }),
  }
}

/** Pages do not let styles in that stand in what is read: they are kept under other names until they are given by hand. */
const heldSheet = 'held-sheet'
const heldStyle = 'data-held-style'
const withoutStyles = (text: string) =>
  text.replaceAll(/<[^<>]*>/g, (tag) =>
    tag.replace(/^<(\/?)(?:[\w-]+:)?style\b/i, `<$1${heldSheet}`).replaceAll(/\sstyle(?=\s*=)/gi, ` ${heldStyle}`),
  )

/** What a drawing says of its size: in pixels, or by the room that it is drawn in. */
function sizeOf(root: SVGSVGElement): { width: number; height: number } {
  const { width: boxWidth, height: boxHeight } = root.viewBox.baseVal
  const side = (name: 'width' | 'height', box: number) => {
    const said = /^\s*([\d.]+)\s*(?:px)?\s*$/.exec(root.getAttribute(name) ?? '')
    return (said ? Number(said[1]) : box) || 300
  }
  return { width: side('width', boxWidth), height: side('height', boxHeight) }
}
