/** Plain JSON as places lead through it. */
type Node = Record<string, unknown> | unknown[]
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null

/** Where something stands: the keys that lead to it, indices of lists as numbers. */
export type Place = readonly (string | number)[]

/**
 * What a step of a path can be in a node: members of lists by their `id`, fields by their name, `*` for all that are
 * there.
 */
function* stepsInto(node: Node, name: string): Generator<string | number> {
  if (Array.isArray(node)) {
    for (const [index, member] of node.entries())
      if (isNode(member) && !Array.isArray(member) && (name === '*' || member.id === name)) yield index
    return
  }
  if (name === '*') yield* Object.keys(node)
  // What objects inherit is no field of theirs.
  else if (Object.hasOwn(node, name)) yield name
}

/** Designers write the parts of a variation; that they stand in its composition is our business. */
const shortened = /(\.variations\.[^.]+)\.parts\b/

/** One path walks through no more than this; whoever means more means everything. */
export const stepsMost = 20_000

/**
 * All places of a document that a path names. Linear in what it walks through, which is bounded.
 * @param path names with dots; `*` stands for every member or field
 * @returns none for a path that would walk through more than `stepsMost` places
 */
export function placesOf(document: object, path: string): Place[] {
  return walk(document, path)?.places ?? []
}

/** How many places a path walks through; null where it is more than it may. */
export function stepsOf(document: object, path: string): number | null {
  return walk(document, path)?.steps ?? null
}

function walk(document: object, path: string): { places: Place[]; steps: number } | null {
  const names = path.replace(shortened, '$1.composition.parts').split('.')
  let found: { node: unknown; place: Place }[] = [{ node: document, place: [] }]
  let steps = 0
  for (const name of names) {
    const next: typeof found = []
    for (const { node, place } of found) {
      if (!isNode(node)) continue
      for (const key of stepsInto(node, name)) {
        steps += 1
        if (steps > stepsMost) return null
        next.push({ node: (node as Record<string | number, unknown>)[key], place: [...place, key] })
      }
    }
    found = next
  }
  return { places: found.map(({ place }) => place), steps }
}

export function readAt(document: object, place: Place): unknown {
  return place.reduce<unknown>(
    (node, key) => (isNode(node) ? (node as Record<string | number, unknown>)[key] : undefined),
    document,
  )
}

/** Puts a value at a place of a document that is being changed. */
export function writeAt(document: object, place: Place, value: unknown): void {
  const last = place.at(-1)
  const holder = readAt(document, place.slice(0, -1))
  if (last !== undefined && isNode(holder)) (holder as Record<string | number, unknown>)[last] = value
}
