/**
 * Sets of points with whole coordinates as unions of boxes. A box has, for each dimension, the first and the last value
 * that it covers, both included, one after the other: [first₀, last₀, first₁, last₁, …].
 */
export type Box = readonly number[]
export type Region = readonly Box[]

/** How many sides of boxes may still be held against each other; all steps of one computation share it. */
export interface BoxBudget {
  left: number
}

/** Thrown where a computation would take more than its budget: whoever set the budget catches it. */
export class OutOfBoxes extends Error {}

const unbounded: BoxBudget = { left: Infinity }

function spend(budget: BoxBudget, times: number): void {
  budget.left -= times
  if (budget.left < 0) throw new OutOfBoxes('more boxes than the budget allows')
}

export function intersectBoxes(a: Box, b: Box): Box | null {
  const both: number[] = []
  for (let at = 0; at < a.length; at += 2) {
    const first = Math.max(a[at] as number, b[at] as number)
    const last = Math.min(a[at + 1] as number, b[at + 1] as number)
    if (first > last) return null
    both.push(first, last)
  }
  return both
}

/** What of a box lies outside another: at most two boxes for each dimension, none of which overlap. */
export function subtractBox(from: Box, taken: Box): Region {
  if (intersectBoxes(from, taken) === null) return [from]
  const left: Box[] = []
  const rest = [...from]
  for (let at = 0; at < from.length; at += 2) {
    const [first, last] = [rest[at] as number, rest[at + 1] as number]
    const [takenFirst, takenLast] = [taken[at] as number, taken[at + 1] as number]
    if (first < takenFirst) left.push([...rest.slice(0, at), first, takenFirst - 1, ...rest.slice(at + 2)])
    if (last > takenLast) left.push([...rest.slice(0, at), takenLast + 1, last, ...rest.slice(at + 2)])
    rest[at] = Math.max(first, takenFirst)
    rest[at + 1] = Math.min(last, takenLast)
  }
  return left
}

/** The boxes of the result do not overlap where those of `from` do not. */
export function subtract(from: Region, taken: Region, budget = unbounded): Region {
  let left = from
  for (const box of taken) {
    if (left.length === 0) return left
    spend(budget, left.length * box.length)
    left = left.flatMap((each) => subtractBox(each, box))
  }
  return left
}

export function intersect(a: Region, b: Region, budget = unbounded): Region {
  spend(budget, a.length * b.length * (a[0]?.length ?? 0))
  const both: Box[] = []
  for (const first of a) {
    for (const second of b) {
      const box = intersectBoxes(first, second)
      if (box) both.push(box)
    }
  }
  return both
}

/** Both together, as boxes that do not overlap. */
export function unite(a: Region, b: Region, budget = unbounded): Region {
  return [...a, ...subtract(b, a, budget)]
}

/**
 * The same points in fewer boxes: neighbours that differ in one dimension only are joined, until none are left. A chain
 * of subtractions leaves slivers; without this their number doubles where it need not. n log n in the boxes, for each
 * dimension.
 */
export function tidy(region: Region, budget = unbounded): Region {
  let boxes = [...region]
  for (let dimension = 0; dimension * 2 < (boxes[0]?.length ?? 0); dimension++) {
    const at = dimension * 2
    spend(budget, boxes.length * (boxes[0]?.length ?? 0))
    const rows = new Map<string, Box[]>()
    for (const box of boxes) {
      const others = `${box.slice(0, at).join()};${box.slice(at + 2).join()}`
      const row = rows.get(others)
      if (row) row.push(box)
      else rows.set(others, [box])
    }
    boxes = [...rows.values()].flatMap((row) => {
      const sorted = row.sort((a, b) => (a[at] as number) - (b[at] as number))
      const joined: number[][] = []
      for (const box of sorted) {
        const before = joined.at(-1)
        if (before && (before[at + 1] as number) + 1 === box[at]) before[at + 1] = box[at + 1] as number
        else joined.push([...box])
      }
      return joined
    })
  }
  return boxes
}

export function holdsPoint(region: Region, point: readonly number[]): boolean {
  return region.some((box) =>
    point.every(
      (value, dimension) => value >= (box[dimension * 2] as number) && value <= (box[dimension * 2 + 1] as number),
    ),
  )
}
