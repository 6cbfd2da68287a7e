import { contrast } from '../colour/contrast.ts'
import { hexOfRgb, oklchOf, rgbOfHex } from '../colour/oklch.ts'
import { rgbOfOklch } from '../colour/ofOklch.ts'
import { seedOf } from '../random.ts'

/** WCAG 2.2, 1.4.3: text is told from what it lies on. */
const readable = 4.5

/** The colour of a name whose viewer has chosen none: always the same for the same viewer. */
export const ownHue = (viewerId: string): string =>
  hexOfRgb(rgbOfOklch({ l: 0.74, c: 0.13, h: seedOf(viewerId) % 360 }))

/**
 * A colour that viewers chose, made lighter or darker, whichever is nearer, until it can be read on a background; hue stays, and
 * chroma as far as a screen has it. Both `#RRGGBB`.
 */
export function readableInk(ink: string, background: string): string {
  if (contrast(ink, background) >= readable) return ink
  const colour = oklchOf(rgbOfHex(ink))
  const candidates = ([0, 1] as const).flatMap((end) => nearest(colour, end, background) ?? [])
  candidates.sort((a, b) => Math.abs(a.l - colour.l) - Math.abs(b.l - colour.l))
  const lightest = contrast('#ffffff', background) >= contrast('#000000', background) ? '#ffffff' : '#000000'
  return candidates[0]?.ink ?? lightest
}

/** The nearest lightness towards black or white at which it can be read; null: not on this side. */
function nearest(
  colour: ReturnType<typeof oklchOf>,
  end: 0 | 1,
  background: string,
): { l: number; ink: string } | null {
  const at = (l: number) => hexOfRgb(rgbOfOklch({ ...colour, l }))
  if (contrast(at(end), background) < readable) return null
  let [no, yes] = [colour.l, end as number]
  for (let step = 0; step < 12; step++) {
    const middle = (no + yes) / 2
    if (contrast(at(middle), background) >= readable) yes = middle
    else no = middle
  }
  return { l: yes, ink: at(yes) }
}
