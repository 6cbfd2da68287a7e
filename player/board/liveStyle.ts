import { rgbOfHex } from '../../core/colour/oklch.ts'
import type { ResolvedLiveText, ResolvedPlate } from '../../core/board/liveText.ts'
import { rounded, styleWriter } from '../painters/paint.ts'
import { styleText } from '../textNodes.ts'
import { plain } from '../plain.ts'

/** A colour as CSS with its opacity. */
export function inkWith(ink: string, opacity: number): string {
  const [red, green, blue] = rgbOfHex(ink).map((channel) => Math.round(channel * 255))
  return `rgb(${red} ${green} ${blue} / ${opacity})`
}

/** What lies under the rows of a part, as visible as they are. */
export function plateLayer(plate: ResolvedPlate | null): { element: HTMLElement; draw: (opacity: number) => void } {
  const element = document.createElement('div')
  plain(element, { inset: '0' })
  stylePlate(element, plate)
  const write = styleWriter(element)
  return { element, draw: (opacity) => write('opacity', rounded(opacity)) }
}

/** What lies under the words of a part. */
export function stylePlate(element: HTMLElement, plate: ResolvedPlate | null): void {
  if (!plate) return
  element.style.background = inkWith(plate.ink, plate.opacity)
  element.style.borderRadius = `${plate.radiusPx}px`
}

/** Words of a part that changes: digits of one width, so that counting moves nothing. */
export function styleLive(element: HTMLElement, text: ResolvedLiveText): void {
  styleText(element, text)
  Object.assign(element.style, {
    fontSize: `${text.sizePx}px`,
    fontVariantNumeric: 'tabular-nums',
    textTransform: text.isUpperCase ? 'uppercase' : 'none',
    textAlign: cssAlign[text.align],
  })
}

export const cssAlign = { start: 'start', middle: 'center', end: 'end' } as const
