import { create } from 'qrcode'
import type { Look } from '../../../core/look/schema.ts'
import { pageInks } from '../../../core/tip/pageInks.ts'
import { fontStack } from '../../../player/fontStack.ts'
import { loadFonts } from '../../../player/preload/fonts.ts'

/** A picture to put on a page of the channel elsewhere: twice as large as such panels are shown. */
const widthPx = 640
const padPx = 44
const codePx = widthPx - 2 * padPx
/** Around a code so many of its squares stay empty, ISO/IEC 18004: without them readers do not find it. */
const quietSquares = 4

/** Draws the squares of a code that leads to an address, with its empty edge, into a square of the canvas. */
export function drawCode(
  context: CanvasRenderingContext2D,
  address: string,
  at: { x: number; y: number; sizePx: number },
  inks: { dark: string; light: string },
): void {
  const { modules } = create(address, { errorCorrectionLevel: 'M' })
  const squares = modules.size + 2 * quietSquares
  // Whole pixels: half ones blur the edges that readers look for.
  const squarePx = Math.max(1, Math.floor(at.sizePx / squares))
  const inset = Math.floor((at.sizePx - squarePx * squares) / 2)
  context.fillStyle = inks.light
  context.fillRect(at.x, at.y, at.sizePx, at.sizePx)
  context.fillStyle = inks.dark
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        context.fillRect(
          at.x + inset + (column + quietSquares) * squarePx,
          at.y + inset + (row + quietSquares) * squarePx,
          squarePx,
          squarePx,
        )
}

/** Breaks a title into lines that fit. */
function linesOf(context: CanvasRenderingContext2D, text: string, mostPx: number): string[] {
  const lines: string[] = []
  let line = ''
  for (const word of text.split(/\s+/u)) {
    const next = line === '' ? word : `${line} ${word}`
    if (line !== '' && context.measureText(next).width > mostPx) {
      lines.push(line)
      line = word
    } else line = next
  }
  return [...lines, line]
}

/** Draws the panel: the title in the channel's look over a code that leads to its tip page, and the address to type. */
export async function drawPanel(
  canvas: HTMLCanvasElement,
  { title, address, look }: { title: string; address: string; look: Look },
): Promise<void> {
  const { display, text } = look.type
  const shown = address.replace(/^https?:\/\//, '')
  await loadFonts([
    { family: display.family, weight: display.weight, letters: title },
    { family: text.family, weight: text.weight, letters: shown },
  ])
  const context = canvas.getContext('2d')
  if (!context) return
  const { dark, light, accent } = pageInks(look.palette)
  const headPx = 54
  const footPx = 24
  const headFont = `${display.weight} ${headPx}px ${fontStack(display.family)}`
  context.font = headFont
  const lines = linesOf(context, title, codePx)
  const headHeightPx = lines.length * headPx * 1.12
  canvas.width = widthPx
  canvas.height = Math.ceil(padPx + headHeightPx + 28 + codePx + 26 + footPx + padPx)
  context.fillStyle = dark.ground
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.fillStyle = accent
  context.fillRect(0, 0, canvas.width, 10)
  context.textBaseline = 'top'
  context.textAlign = 'center'
  context.fillStyle = dark.accent
  context.font = headFont
  lines.forEach((line, index) => context.fillText(line, widthPx / 2, padPx + index * headPx * 1.12, codePx))
  const codeTopPx = Math.round(padPx + headHeightPx + 28)
  drawCode(context, address, { x: padPx, y: codeTopPx, sizePx: codePx }, { dark: dark.ground, light: light.ground })
  context.fillStyle = dark.ink
  context.font = `${text.weight} ${footPx}px ${fontStack(text.family)}`
  context.fillText(shown, widthPx / 2, codeTopPx + codePx + 26, codePx)
}
