import type { FlashGrid } from '../../core/flash/flashMeter.ts'

type Colour = readonly [red: number, green: number, blue: number]
/** The colour of a cell at a moment. */
type Draw = (x: number, y: number, tS: number) => Colour

export interface MadeClip {
  name: string
  /** It has to be found, and as what. */
  is: readonly ('general' | 'red')[]
  draw: Draw
}

export const grid: FlashGrid = { columns: 48, rows: 27, widthPx: 1920, heightPx: 1080 }
const black: Colour = [0, 0, 0]
const white: Colour = [255, 255, 255]
const grey = (value: number): Colour => [value, value, value]
/** One of two, to and fro so many times a second. */
const between =
  (first: Colour, second: Colour, hertz: number): Draw =>
  (_x, _y, tS) =>
    Math.floor(tS * hertz * 2 + 1e-6) % 2 === 0 ? first : second
const inside =
  (isIn: (x: number, y: number) => boolean, draw: Draw, around: Colour = black): Draw =>
  (x, y, tS) =>
    isIn(x, y) ? draw(x, y, tS) : around
const wave = (tS: number, hertz: number) => (1 - Math.cos(2 * Math.PI * hertz * tS)) / 2

/** Clips of which it is known whether they may harm, and others that only look as if. */
export const madeClips: readonly MadeClip[] = [
  { name: 'black and white, 4 a second', is: ['general'], draw: between(black, white, 4) },
  { name: 'black and white, 10 a second', is: ['general'], draw: between(black, white, 10) },
  {
    name: 'two greys a little more than a tenth apart, 5 a second',
    is: ['general'],
    draw: between(grey(120), grey(150), 5),
  },
  { name: 'a sine of light, 5 a second', is: ['general'], draw: (_x, _y, tS) => grey(255 * wave(tS, 5)) },
  {
    name: 'a third of one field of view, 5 a second',
    is: ['general'],
    draw: inside((x, y) => x < 8 && y < 8, between(black, white, 5)),
  },
  {
    name: 'half against half, 4 a second',
    is: ['general'],
    draw: (x, y, tS) => between(black, white, 4)(x, y, tS + (x < 24 ? 0 : 0.125)),
  },
  {
    name: 'a board of squares that swap, 5 a second',
    is: ['general'],
    draw: (x, y, tS) => between(black, white, 5)(x, y, tS + (((x >> 2) + (y >> 2)) % 2) * 0.1),
  },
  {
    name: 'one second of flashes in the middle of calm',
    is: ['general'],
    draw: (x, y, tS) => (tS > 1 && tS < 2.1 ? between(black, white, 5)(x, y, tS) : black),
  },
  { name: 'red and black, 5 a second', is: ['general', 'red'], draw: between([255, 0, 0], black, 5) },
  { name: 'red and green as light as it, 5 a second', is: ['red'], draw: between([255, 0, 0], [0, 148, 0], 5) },
  { name: 'red and blue, 6 a second', is: ['general', 'red'], draw: between([255, 0, 0], [0, 0, 255], 6) },
  { name: 'black and white, 3 a second', is: [], draw: between(black, white, 3) },
  { name: 'black and white once a second', is: [], draw: between(black, white, 1) },
  { name: 'two greys less than a tenth apart, 10 a second', is: [], draw: between(grey(120), grey(132), 10) },
  { name: 'two lights, 8 a second', is: [], draw: between(grey(235), white, 8) },
  {
    name: 'a fifth of a field of view, 8 a second',
    is: [],
    draw: inside((x, y) => x < 6 && y < 6, between(black, white, 8)),
  },
  {
    name: 'four corners, each small, 8 a second',
    is: [],
    draw: inside((x, y) => (x < 5 || x > 42) && (y < 5 || y > 21), between(black, white, 8)),
  },
  { name: 'a slow fade to and fro', is: [], draw: (_x, _y, tS) => grey(255 * wave(tS, 0.5)) },
  {
    name: 'half against half, 2 a second',
    is: [],
    draw: (x, y, tS) => between(black, white, 2)(x, y, tS + (x < 24 ? 0 : 0.25)),
  },
  {
    name: 'a bar that goes across once a second',
    is: [],
    draw: (x, _y, tS) => (Math.abs(x - (tS % 1) * 48) < 4 ? white : black),
  },
  { name: 'dim red and black, 8 a second', is: [], draw: between([60, 0, 0], black, 8) },
  { name: 'one flash', is: [], draw: (_x, _y, tS) => (tS > 1 && tS < 1.08 ? white : black) },
  {
    name: 'three flashes within a second, then none',
    is: [],
    draw: (x, y, tS) => (tS < 1 ? between(black, white, 3)(x, y, tS) : black),
  },
  {
    name: 'sparks here and there',
    is: [],
    draw: (x, y, tS) => ((x * 31 + y * 17 + Math.floor(tS * 12)) % 40 === 0 ? white : black),
  },
]

/** A clip as frames of the grid. */
export function* framesOf(
  { draw }: MadeClip,
  framesPerSecond = 30,
  seconds = 3,
): Generator<[Uint8ClampedArray, number]> {
  for (let frame = 0; frame < framesPerSecond * seconds; frame++) {
    const rgba = new Uint8ClampedArray(grid.columns * grid.rows * 4)
    const tS = frame / framesPerSecond
    for (let y = 0; y < grid.rows; y++)
      for (let x = 0; x < grid.columns; x++) rgba.set([...draw(x, y, tS), 255], (y * grid.columns + x) * 4)
    yield [rgba, Math.round(tS * 1000)]
  }
}
