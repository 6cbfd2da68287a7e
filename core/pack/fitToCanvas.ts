import type { BoxDocument } from '../composition/box.ts'
import type { Canvas } from '../composition/canvas.ts'
import { copyOf } from '../copyOf.ts'

const places = new Set(['xPx', 'yPx'])
/** How large letters are, and how small they may become. */
const letters = new Set(['sizePx', 'floorPx'])
const leastLetterPx = 8

/**
 * A box for another canvas. Where things stand keeps its ratio of the canvas, and everything is as much larger or
 * smaller as the canvas's tighter side: what was round stays round. The box itself for a canvas of the same size; the
 * same for the same always. Linear in the document.
 */
export function fitToCanvas(box: BoxDocument, canvas: Canvas): BoxDocument {
  const [acrossRatio, downRatio] = [canvas.widthPx / box.canvas.widthPx, canvas.heightPx / box.canvas.heightPx]
  if (acrossRatio === 1 && downRatio === 1) return box
  const ratio = Math.min(acrossRatio, downRatio)
  const ratioOf: Record<string, number> = { xPx: acrossRatio, yPx: downRatio }
  const scaled = (field: string, px: number) => Math.round(px * (ratioOf[field] ?? ratio) * 100) / 100
  const scaledLetters = (field: string, px: number) => Math.max(leastLetterPx, scaled(field, px))
  const fit = (node: unknown, isShadow: boolean): void => {
    if (typeof node !== 'object' || node === null) return
    for (const [field, value] of Object.entries(node)) {
      const record = node as Record<string, unknown>
      // A shadow falls as far as letters are large, wherever they stand.
      if (typeof value === 'number' && isPx(field))
        record[field] = letters.has(field)
          ? scaledLetters(field, value)
          : scaled(isShadow && places.has(field) ? 'widthPx' : field, value)
      else if (Array.isArray(value) && isPx(field))
        record[field] = value.map((px) => (typeof px === 'number' ? scaled(field, px) : px))
      else if (field === 'frames' && isOffset(record))
        for (const frame of value as { value: number }[])
          frame.value = scaled(record.property === 'offsetX' ? 'xPx' : 'yPx', frame.value)
      else fit(value, field === 'shadow')
    }
  }
  const fitted = copyOf(box)
  fit(fitted.zones, false)
  fit(fitted.alerts, false)
  return { ...fitted, canvas }
}

/** Units stand in the names of fields: lengths on the canvas, and speeds over it. */
const isPx = (field: string) => /(Px|PxPerS2?|pxPerS)$/.test(field)
const isOffset = (track: Record<string, unknown>) => track.property === 'offsetX' || track.property === 'offsetY'
