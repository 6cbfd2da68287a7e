/** Nearer than this to its moment, a video is in time: nobody sees a quarter of a frame. */
const inTimeMs = 4
/** What it is late by is caught up in about so long. */
const caughtUpMs = 120
const slowest = 0.6
const fastest = 1.8

/**
 * How late a video is: of one that begins again, the shorter way round.
 * @param wantedMs where it should be, and `atMs` where it is, on the file's clock
 * @param roundMs how long a round is; null where it is played once
 */
export function lateBy(wantedMs: number, atMs: number, roundMs: number | null): number {
  const late = wantedMs - atMs
  if (roundMs === null || roundMs <= 0) return late
  const within = ((late % roundMs) + roundMs) % roundMs
  return within > roundMs / 2 ? within - roundMs : within
}

/**
 * How fast a video runs so that it comes back to its moment without a jump: by itself again once it is there. The rest that it
 * is late by shrinks by a third with every `caughtUpMs × ln 1.5`, and never turns into being early.
 */
export function paceOf(lateMs: number): number {
  if (Math.abs(lateMs) <= inTimeMs) return 1
  return Math.min(fastest, Math.max(slowest, Math.round((1 + lateMs / caughtUpMs) * 20) / 20))
}
