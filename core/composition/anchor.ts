/** A moment of a part that another may hang on; of the score only `start` and `end`. */
export type AnchorPoint = 'start' | 'entered' | 'leaving' | 'end'

/**
 * What an anchor names: a part (or `score`) and a moment of it. It was checked against the schema, or written by the
 * solver.
 */
export function readAnchor(at: string): { id: string; point: AnchorPoint } {
  const [id = '', point = 'start'] = at.split('.')
  return { id, point: point as AnchorPoint }
}
