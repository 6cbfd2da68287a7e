import { filterOfTint, type Tint } from '../core/colour/tint.ts'
import { lumaShares, washTable } from '../core/colour/wash.ts'

const svgNames = 'http://www.w3.org/2000/svg'
const made = new Map<string, SVGSVGElement>()
const mostMade = 100

/** An element of the page that a filter can name; the picture’s lightness goes through a table for each channel. */
function filterElement(id: string, wash: NonNullable<Tint['wash']>): SVGSVGElement {
  const make = <K extends keyof SVGElementTagNameMap>(name: K, of: Record<string, string> = {}) => {
    const element = document.createElementNS(svgNames, name)
    for (const [key, value] of Object.entries(of)) element.setAttribute(key, value)
    return element
  }
  const luma = `${lumaShares.join(' ')} 0 0 `
  const filter = make('filter', { id, 'color-interpolation-filters': 'sRGB' })
  const transfer = make('feComponentTransfer')
  for (const [channel, name] of (['feFuncR', 'feFuncG', 'feFuncB'] as const).entries())
    transfer.append(
      make(name, {
        type: 'table',
        tableValues: washTable(wash, channel as 0 | 1 | 2)
          .map((each) => each.toFixed(4))
          .join(' '),
      }),
    )
  filter.append(make('feColorMatrix', { values: `${luma.repeat(3)}0 0 0 1 0` }), transfer)
  const svg = make('svg', { width: '0', height: '0', 'aria-hidden': 'true' })
  svg.style.position = 'absolute'
  svg.append(filter)
  return svg
}

/** The tint as a filter of CSS and of canvases, with its wash as a filter of this page; empty for none. */
export function filterFor(tint: Tint | null): string {
  if (!tint) return ''
  const { wash } = tint
  if (!wash) return filterOfTint(tint)
  const id = `wash-${[wash.pivot, ...wash.rgb].map((each) => Math.round(each * 10_000)).join('-')}`
  if (!made.get(id)?.isConnected) {
    for (const [oldest, element] of made) {
      if (made.size < mostMade) break
      element.remove()
      made.delete(oldest)
    }
    const element = filterElement(id, wash)
    document.body.append(element)
    made.set(id, element)
  }
  return `url(#${id}) ${filterOfTint(tint)}`.trim()
}
