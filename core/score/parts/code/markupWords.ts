/** What may stand in the HTML of a code part: what is laid out or drawn. Nothing that runs, loads, plays, asks or is filled in. */
const plainTags =
  'div span p b i em strong small s u mark sub sup br hr ul ol li dl dt dd h1 h2 h3 h4 h5 h6 section header footer main article aside nav figure figcaption blockquote q cite code pre table thead tbody tfoot tr td th ruby rt rp bdi bdo wbr time abbr data'
const drawnTags =
  'svg g path circle ellipse rect line polyline polygon text tspan textPath defs linearGradient radialGradient stop clipPath mask symbol use pattern marker filter feGaussianBlur feOffset feMerge feMergeNode feBlend feColorMatrix feComponentTransfer feFuncR feFuncG feFuncB feFuncA feComposite feFlood feMorphology feTurbulence feDisplacementMap feDropShadow'

const byLowerCase = (words: string) => new Map(words.split(' ').map((word) => [word.toLowerCase(), word]))
const plain = byLowerCase(plainTags)
const drawn = byLowerCase(drawnTags)

/** A tag as it is written; null for one that is left out. */
export const tagOf = (name: string): string | null =>
  plain.get(name.toLowerCase()) ?? drawn.get(name.toLowerCase()) ?? null

/** Elements that never hold anything. */
export const isEmptyTag = (tag: string): boolean => tag === 'br' || tag === 'hr' || tag === 'wbr'

/** Elements whose end may be left out. */
export const endsByItself = (tag: string): boolean => /^(?:li|p|dt|dd|tr|td|th|thead|tbody|tfoot|rt|rp)$/.test(tag)

const everywhere = new Set([
  'class',
  'id',
  'style',
  'lang',
  'dir',
  'title',
  'role',
  'start',
  'datetime',
  'value',
  'colspan',
  'rowspan',
])

/** Attributes that could load or run something, on whatever element. */
const acting =
  /^(?:on|xmlns|src|srcset|srcdoc|href|action|formaction|ping|background|poster|data$|autofocus|contenteditable)/i

/**
 * An attribute as it is kept; null for one that is left out. Within drawings, addresses are those of the same document.
 * @param isDrawn the element is one of SVG's
 */
export function attributeOf(name: string, value: string, isDrawn: boolean): string | null {
  const lower = name.toLowerCase()
  if (everywhere.has(lower) || /^(?:aria|data)-[a-z0-9-]+$/.test(lower)) return lower
  if (!isDrawn) return null
  if (/^(?:xlink:)?href$/.test(lower)) return /^#[\w-]+$/.test(value.trim()) ? 'href' : null
  if (acting.test(lower) || !/^[a-z][\w-]*$/i.test(name)) return null
  return name
}

export const isDrawnTag = (tag: string): boolean => drawn.get(tag.toLowerCase()) === tag
