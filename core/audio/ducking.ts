/** While something speaks, other sounds go down by so much. Times in milliseconds. */
export interface Duck {
  startMs: number
  endMs: number
  duckDb: number
}

/** A corner of an envelope: a ratio of amplitude, straight from one corner to the next. */
export interface EnvelopePoint {
  atMs: number
  ratio: number
}

/** Sounds begin to go down before the first word, so that it is understood, and come back after the last. */
export const duckAttackMs = 120
export const duckReleaseMs = 350

/**
 * How other sounds go down while something speaks: known before anything plays, so that what is heard in the editor is
 * what is heard on air. Where two speak at once, or one soon after the other, the sounds stay down between them, by the
 * deeper of both.
 * @returns corners in order of time; empty where nothing ducks. Before the first and after the last the ratio is 1.
 */
export function duckEnvelope(ducks: readonly Duck[]): EnvelopePoint[] {
  const spans: Duck[] = []
  for (const duck of ducks
    .filter(({ duckDb, startMs, endMs }) => duckDb < 0 && endMs > startMs)
    .sort((a, b) => a.startMs - b.startMs)) {
    const last = spans.at(-1)
    if (last && duck.startMs - duckAttackMs <= last.endMs + duckReleaseMs)
      Object.assign(last, { endMs: Math.max(last.endMs, duck.endMs), duckDb: Math.min(last.duckDb, duck.duckDb) })
    else spans.push({ ...duck })
  }
  return spans.flatMap(({ startMs, endMs, duckDb }) => {
    const low = 10 ** (duckDb / 20)
    return [
      { atMs: startMs - duckAttackMs, ratio: 1 },
      { atMs: startMs, ratio: low },
      { atMs: endMs, ratio: low },
      { atMs: endMs + duckReleaseMs, ratio: 1 },
    ]
  })
}

/** The ratio of an envelope at a moment. Linear in its corners. */
export function envelopeAt(points: readonly EnvelopePoint[], tMs: number): number {
  let before: EnvelopePoint | null = null
  for (const point of points) {
    if (point.atMs > tMs)
      return before
        ? before.ratio + ((point.ratio - before.ratio) * (tMs - before.atMs)) / (point.atMs - before.atMs)
        : 1
    before = point
  }
  return before?.ratio ?? 1
}

/** By how much other sounds are down at a moment, in decibels: 0 or less. */
export function duckedDb(points: readonly EnvelopePoint[] | undefined, tMs: number): number {
  return points ? 20 * Math.log10(envelopeAt(points, tMs)) : 0
}
