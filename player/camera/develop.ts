import type { Canvas } from '../../core/composition/canvas.ts'
import { stillRules } from './stills.ts'
import { drawingRules } from '../plain.ts'
import { rangeOf, type FontFile } from './fontFiles.ts'
import { blank } from './blank.ts'
import { breathe } from './breathe.ts'
import type { Exposure, FrameSize } from './expose.ts'

/** A font file cut down to the letters that are drawn, as base64 of TrueType or OpenType; null: it stays away. */
export type CutFont = (file: FontFile) => Promise<string | null>

/** Several pictures on one, in rows. */
export interface Contact {
  sheet: HTMLCanvasElement
  columns: number
  size: FrameSize
}

const columnsMost = 4
/** A strip under the pictures in which each typeface shows one letter: it is looked at until all are there. */
const probePx = 16
const looksMost = 40
const lookAgainMs = 8

/**
 * Draws what was exposed: the browser itself draws the markup, all of it in one picture of its own that holds its typefaces, and
 * what was painted is laid between. Nothing is fetched but fonts. Cost: some 5 ms and 1 to 4 ms a picture.
 * @param exposures all of one canvas
 * @param fonts which letters are drawn with which files
 */
export async function develop(
  exposures: readonly Exposure[],
  size: FrameSize,
  fonts: readonly FontFile[],
  cut: CutFont,
): Promise<Contact> {
  const columns = Math.min(columnsMost, exposures.length)
  // What stands still is drawn once.
  const cells = new Map<string, number>()
  for (const { layers } of exposures)
    for (const layer of layers)
      if (layer.is === 'markup' && !cells.has(layer.markup)) cells.set(layer.markup, cells.size)
  const [first] = exposures
  const drawn = first && cells.size > 0 ? await drawMarkup([...cells.keys()], first.canvas, size, fonts, cut) : null
  await breathe()
  const sheet = blank(columns * size.widthPx, Math.ceil(exposures.length / columns) * size.heightPx)
  const context = sheet.getContext('2d')
  exposures.forEach(({ layers }, index) => {
    const x = (index % columns) * size.widthPx
    const y = Math.floor(index / columns) * size.heightPx
    for (const layer of layers) {
      if (layer.is === 'painted') context?.drawImage(layer.canvas, x, y)
      else {
        const from = placeOf(cells.get(layer.markup) ?? 0, size)
        if (drawn)
          context?.drawImage(drawn, from.x, from.y, size.widthPx, size.heightPx, x, y, size.widthPx, size.heightPx)
      }
    }
  })
  return { sheet, columns, size }
}

const placeOf = (cell: number, { widthPx, heightPx }: FrameSize) => ({
  x: (cell % columnsMost) * widthPx,
  y: Math.floor(cell / columnsMost) * heightPx,
})

async function drawMarkup(
  cells: readonly string[],
  canvas: Canvas,
  size: FrameSize,
  files: readonly FontFile[],
  cut: CutFont,
): Promise<HTMLCanvasElement> {
  const cutFiles = await Promise.all(files.map(async (file) => ({ file, data: await cut(file) })))
  const fonts = cutFiles.flatMap(({ file, data }) => (data === null ? [] : [{ file, data }]))
  const widthPx = Math.min(columnsMost, cells.length) * size.widthPx
  const heightPx = Math.ceil(cells.length / columnsMost) * size.heightPx
  const probes = fonts.flatMap(({ file }) => {
    const letter = [...file.letters].find((each) => /\p{L}/u.test(each))
    return letter === undefined ? [] : [{ file, letter }]
  })
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(
    svgOf(cells, canvas, size, { widthPx, heightPx }, fonts, probes),
  )}`
  await image.decode()
  await breathe()
  await untilDrawn(image, heightPx, probes.length)
  await breathe()
  const sheet = blank(widthPx, heightPx)
  sheet.getContext('2d')?.drawImage(image, 0, 0, widthPx, heightPx, 0, 0, widthPx, heightPx)
  return sheet
}

function svgOf(
  cells: readonly string[],
  canvas: Canvas,
  size: FrameSize,
  whole: FrameSize,
  fonts: readonly { file: FontFile; data: string }[],
  probes: readonly { file: FontFile; letter: string }[],
): string {
  const faces = fonts.map(
    ({ file: { family, weight, style, letters }, data }) =>
      `@font-face{font-family:"${family}";font-weight:${weight};font-style:${style};font-display:block;unicode-range:${rangeOf(letters)};src:url(data:font/ttf;base64,${data})}`,
  )
  const drawn = cells.map((markup, index) => {
    const { x, y } = placeOf(index, size)
    return (
      `<svg x="${x}" y="${y}" width="${size.widthPx}" height="${size.heightPx}" viewBox="0 0 ${canvas.widthPx} ${canvas.heightPx}" preserveAspectRatio="none" overflow="hidden">` +
      `<foreignObject width="${canvas.widthPx}" height="${canvas.heightPx}">` +
      `<div xmlns="http://www.w3.org/1999/xhtml" style="all:initial;display:block;position:absolute;left:0;top:0;overflow:hidden;width:${canvas.widthPx}px;height:${canvas.heightPx}px">${markup}</div>` +
      '</foreignObject></svg>'
    )
  })
  const shown = probes.map(
    ({ file: { family, weight, style }, letter }, index) =>
      `<text x="${index * probePx}" y="${whole.heightPx + probePx - 4}" style="font:${style} ${/^\d+/.exec(weight)?.[0] ?? 400} ${probePx - 4}px &quot;${family}&quot;">${escaped(letter)}</text>`,
  )
  const widthPx = Math.max(whole.widthPx, probes.length * probePx)
  const heightPx = whole.heightPx + probePx
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}" viewBox="0 0 ${widthPx} ${heightPx}">` +
    `<style>${faces.join('')}${drawingRules}${stillRules(cells)}</style>${drawn.join('')}${shown.join('')}</svg>`
  )
}

const escaped = (letter: string) => letter.replace('&', '&amp;').replace('<', '&lt;')

/**
 * Resolves when every typeface of a drawn picture is there. It begins to be read when it is first drawn, and nobody tells when
 * that is over: until then letters are left out.
 */
async function untilDrawn(image: HTMLImageElement, topPx: number, probes: number): Promise<void> {
  if (probes === 0) return
  const strip = document.createElement('canvas')
  strip.width = probes * probePx
  strip.height = probePx
  const context = strip.getContext('2d', { willReadFrequently: true })
  if (!context) return
  for (let look = 0; look < looksMost; look++) {
    context.clearRect(0, 0, strip.width, strip.height)
    context.drawImage(image, 0, topPx, strip.width, probePx, 0, 0, strip.width, probePx)
    const { data } = context.getImageData(0, 0, strip.width, probePx)
    if (Array.from({ length: probes }, (_, probe) => isInked(data, probe, strip.width)).every(Boolean)) return
    await new Promise((resolve) => setTimeout(resolve, look === 0 ? 0 : lookAgainMs))
    await breathe()
  }
}

function isInked(data: Uint8ClampedArray, probe: number, widthPx: number): boolean {
  for (let y = 0; y < probePx; y++)
    for (let x = probe * probePx; x < (probe + 1) * probePx; x++)
      if ((data[(y * widthPx + x) * 4 + 3] ?? 0) > 0) return true
  return false
}
