interface Composition {
  layers: readonly unknown[]
}

interface Size {
  layers: number
  shapes: number
}

const most = 1e9
const capped = (value: number) => Math.min(most, value)

/**
 * How much an animation is when everything that refers to something else is put in its place, as whoever draws it does: of a
 * composition that is used twice each layer counts twice, and what a repeater repeats counts as often. Each composition is
 * counted once: linear in what stands in the file.
 * @returns `isEndless` where something contains itself
 */
export function expandedSize(animation: {
  layers: readonly unknown[]
  assets?: readonly unknown[] | undefined
}): Size & {
  isEndless: boolean
} {
  const compositions = new Map<string, Composition>()
  for (const asset of animation.assets ?? []) {
    const { id, layers } = asset as { id?: unknown; layers?: unknown }
    if (typeof id === 'string' && Array.isArray(layers)) compositions.set(id, { layers })
  }
  const known = new Map<string, Size>()
  const open = new Set<string>()
  let isEndless = false

  const sizeOf = ({ layers }: Composition): Size => {
    const size: Size = { layers: 0, shapes: 0 }
    for (const layer of layers) {
      const { refId, shapes, tt } = (layer ?? {}) as { refId?: unknown; shapes?: unknown; tt?: unknown }
      // What is cut out by another layer is drawn into pictures of its own.
      size.layers = capped(size.layers + (tt ? 2 : 1))
      if (Array.isArray(shapes)) size.shapes = capped(size.shapes + shapesIn(shapes))
      if (typeof refId !== 'string' || !compositions.has(refId)) continue
      const inner = referred(refId)
      size.layers = capped(size.layers + inner.layers)
      size.shapes = capped(size.shapes + inner.shapes)
    }
    return size
  }
  const referred = (id: string): Size => {
    const found = known.get(id)
    if (found) return found
    const composition = compositions.get(id)
    if (open.has(id) || !composition) {
      isEndless ||= open.has(id)
      return { layers: 0, shapes: 0 }
    }
    open.add(id)
    const size = sizeOf(composition)
    open.delete(id)
    known.set(id, size)
    return size
  }
  return { ...sizeOf(animation), isEndless }
}

/** Shapes of a list with those in its groups, as often as its repeaters repeat what stands before them. */
function shapesIn(list: readonly unknown[]): number {
  let count = 0
  for (const shape of list) {
    const { ty, it, c } = (shape ?? {}) as { ty?: unknown; it?: unknown; c?: unknown }
    if (ty === 'rp') count = capped(count * Math.max(1, largestIn(c)))
    else count = capped(count + (Array.isArray(it) ? shapesIn(it) : 1))
  }
  return count
}

/** The largest number in a value that may be animated. */
function largestIn(value: unknown): number {
  if (typeof value === 'number') return value
  if (typeof value !== 'object' || value === null) return 1
  return Object.values(value).reduce<number>((largest, each) => Math.max(largest, largestIn(each)), 1)
}
