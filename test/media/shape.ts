/** What the golden files show and sound, so that tests know it without opening them. */

export const drawnSides = { widthPx: 96, heightPx: 64 }

/** A square of 20 pixels that steps to the right over four frames, with an empty margin around all of it. */
export const squareAt = (frame: number) => ({ xPx: 10 + frame * 12, yPx: 24, widthPx: 20, heightPx: 20 })
export const inkOfAll = { xPx: 10, yPx: 24, widthPx: 56, heightPx: 20 }
export const inkOfFirst = { xPx: 10, yPx: 24, widthPx: 20, heightPx: 20 }

export function frameSvg(frame: number): string {
  const { xPx, yPx, widthPx, heightPx } = squareAt(frame)
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${drawnSides.widthPx}" height="${drawnSides.heightPx}"><rect x="${xPx}" y="${yPx}" width="${widthPx}" height="${heightPx}" fill="#E0964B"/></svg>`
}

/** A square that moves to the right, as a vector animation. */
export function vectorAnimation(changes: Record<string, unknown> = {}): string {
  const still = (k: unknown) => ({ a: 0, k })
  return JSON.stringify({
    v: '5.7.0',
    fr: 10,
    ip: 0,
    op: 20,
    w: 96,
    h: 64,
    nm: 'square',
    ddd: 0,
    assets: [],
    layers: [
      {
        ddd: 0,
        ind: 1,
        ty: 4,
        nm: 'square',
        sr: 1,
        ip: 0,
        op: 20,
        st: 0,
        bm: 0,
        ks: {
          o: still(100),
          r: still(0),
          p: {
            a: 1,
            k: [
              { t: 0, s: [20, 34, 0], i: { x: 1, y: 1 }, o: { x: 0, y: 0 } },
              { t: 20, s: [56, 34, 0] },
            ],
          },
          a: still([0, 0, 0]),
          s: still([100, 100, 100]),
        },
        shapes: [
          {
            ty: 'gr',
            it: [
              { ty: 'rc', d: 1, s: still([20, 20]), p: still([0, 0]), r: still(0) },
              { ty: 'fl', c: still([0.878, 0.588, 0.294, 1]), o: still(100), r: 1 },
              { ty: 'tr', p: still([0, 0]), a: still([0, 0]), s: still([100, 100]), r: still(0), o: still(100) },
            ],
          },
        ],
      },
    ],
    ...changes,
  })
}

export const toneRateHz = 48_000
export const toneSeconds = 4
export const tonePeakDb = -18
const silenceS = 0.25

/** 997 Hz at −18 dBFS on both channels, with a quarter of a second of silence before and after. */
export function toneAt(seconds: number): number {
  if (seconds < silenceS || seconds >= toneSeconds - silenceS) return 0
  return 10 ** (tonePeakDb / 20) * Math.sin(2 * Math.PI * 997 * (seconds - silenceS))
}
