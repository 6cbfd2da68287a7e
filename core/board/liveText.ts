import { resolveInk, resolveShadow, resolveType } from '../look/resolveStyle.ts'
import type { Look } from '../look/schema.ts'
import type { LiveFields } from './liveFields.ts'

/** How the words of a part look that is kept up to date: roles settled, lengths in canvas pixels. */
export interface ResolvedLiveText {
  family: string
  weight: number
  sizePx: number
  align: LiveFields['align']
  lineHeight: number
  letterSpacingEm: number
  isUpperCase: boolean
  ink: string
  highlightInk: string
  outlinePx: number
  outlineInk: string
  shadow: { xPx: number; yPx: number; blurPx: number; ink: string } | null
}

export interface ResolvedPlate {
  ink: string
  opacity: number
  radiusPx: number
}

export function resolveLiveText(part: LiveFields, look: Look): ResolvedLiveText {
  const { family, weight, sizeRatio, trackingEm, outlineRatio } = resolveType(part.type, look)
  const { align, lineHeight, isUpperCase } = part
  return {
    ...{ family, weight, align, lineHeight, isUpperCase },
    sizePx: part.sizePx * sizeRatio,
    letterSpacingEm: part.letterSpacingEm + trackingEm,
    ink: resolveInk(part.ink, look),
    highlightInk: resolveInk(part.highlightInk, look),
    outlinePx: part.outline.widthPx * outlineRatio,
    outlineInk: resolveInk(part.outline.ink, look),
    shadow: resolveShadow(part.shadow, look),
  }
}
