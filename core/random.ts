/**
 * A number in [0, 1) for each (seed, index): a counter-based generator, so that the n-th draw needs none before it.
 * Mixing after MurmurHash3's 32-bit finaliser, applied twice.
 */
export function randomAt(seed: number, index: number): number {
  let hash = mix((seed | 0) ^ 0x9e3779b9)
  hash = mix(hash ^ Math.imul(index | 0, 0x85ebca6b))
  return hash / 4_294_967_296
}

function mix(value: number): number {
  let hash = value
  hash ^= hash >>> 16
  hash = Math.imul(hash, 0x85ebca6b)
  hash ^= hash >>> 13
  hash = Math.imul(hash, 0xc2b2ae35)
  hash ^= hash >>> 16
  return hash >>> 0
}

/**
 * The place of the lot among weights that lie one after the other; the last where rounding leaves none.
 * @param lot in [0, 1)
 */
export function placeOfLot(weights: readonly number[], lot: number): number {
  let left = lot * weights.reduce((sum, weight) => sum + weight, 0)
  const place = weights.findIndex((weight) => (left -= weight) < 0)
  return place === -1 ? weights.length - 1 : place
}

/** A 32-bit seed from a text, e.g. an event's id (FNV-1a over UTF-16 units). */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5
  for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193)
  return hash >>> 0
}
