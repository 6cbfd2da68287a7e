import { allFallbackFamilies } from '../core/text/fallbackFamilies.ts'

/** CSS `font-family` for a design's typeface: the fallbacks stand behind it in a fixed order on every machine. */
export function fontStack(family: string): string {
  return [family, ...allFallbackFamilies].map((each) => `"${each}"`).join(',') + ',sans-serif'
}
