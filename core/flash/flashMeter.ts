import { linearOf } from '../colour/oklch.ts'

/** How a canvas is cut into cells, each of which is looked at by its average. */
export interface FlashGrid {
  columns: number
  rows: number
  /** Of the canvas, whatever is drawn of it. */
  widthPx: number
  heightPx: number
}

/** Flashes that are too many and too large at once. */
export interface FlashFinding {
  is: 'general' | 'red'
  /** The second in which there are most of them. */
  fromMs: number
  untilMs: number
  /** Changes to and fro within that second: two are a flash. */
  changes: number
  /** How much of a field of view changed at once at most, from 0 to 1. */
  area: number
}

/**
 * WCAG 2.2, 2.3.1 (and the same limits in ITU-R BT.1702): a flash is a pair of opposing changes of relative luminance by a tenth of
 * the largest, of which the darker is below 0.8; or a pair that involves a saturated red.
 */
const changeFrom = 0.1
const darkBelow = 0.8
const redShare = 0.8
const redFrom = 20
const redScale = 320
/** More than three flashes within a second: the seventh change begins a fourth. */
const secondMs = 1_000
const changesFrom = 7
/** More than a quarter of any ten degrees of view: 341 × 256 of 1024 × 768, in which the canvas is shown as large as it goes. */
const areaAbove = 0.25
const view = { widthPx: 1024, heightPx: 768 }
const field = { widthPx: 341, heightPx: 256 }
/** What changes within that is seen to change at once. */
const togetherMs = 67

const linear = Float64Array.from({ length: 256 }, (_, value) => linearOf(value / 255))

/** How many cells a field of view is wide and tall. */
export function fieldCells({ columns, rows, widthPx, heightPx }: FlashGrid): { columns: number; rows: number } {
  const scale = Math.min(view.widthPx / widthPx, view.heightPx / heightPx)
  const cells = (px: number, of: number, many: number) =>
    Math.max(1, Math.min(many, Math.round((px / (of * scale)) * many)))
  return { columns: cells(field.widthPx, widthPx, columns), rows: cells(field.heightPx, heightPx, rows) }
}

/** Follows one quantity in every cell, and when it last changed to and fro. */
class Changes {
  private readonly low: Float64Array
  private readonly high: Float64Array
  private readonly direction: Int8Array
  private readonly counts: boolean[]
  readonly upMs: Float64Array
  readonly downMs: Float64Array

  constructor(
    cells: number,
    private readonly from: number,
  ) {
    this.low = new Float64Array(cells).fill(Infinity)
    this.high = new Float64Array(cells).fill(-Infinity)
    this.direction = new Int8Array(cells)
    this.counts = Array.from({ length: cells }, () => false)
    this.upMs = new Float64Array(cells).fill(-Infinity)
    this.downMs = new Float64Array(cells).fill(-Infinity)
  }

  /**
   * @param countsHigh whether a change that leads to, or away from, this value counts
   * @param countsLow the same of the darker end of a change
   */
  add(cell: number, value: number, atMs: number, countsHigh: boolean, countsLow: (low: number) => boolean): void {
    const direction = this.direction[cell]
    if (direction !== 1) {
      const low = Math.min(this.low[cell] ?? value, value)
      this.low[cell] = low
      if (value - low >= this.from && countsLow(low) && countsHigh) {
        this.upMs[cell] = atMs
        this.turn(cell, 1, value, countsHigh)
        return
      }
    }
    if (direction !== -1) {
      if (value >= (this.high[cell] ?? value)) {
        this.high[cell] = value
        this.counts[cell] = countsHigh
      }
      if ((this.high[cell] ?? value) - value >= this.from && countsLow(value) && this.counts[cell] === true) {
        this.downMs[cell] = atMs
        this.turn(cell, -1, value, false)
      }
    }
  }

  private turn(cell: number, direction: 1 | -1, value: number, countsHigh: boolean): void {
    this.direction[cell] = direction
    this.low[cell] = value
    this.high[cell] = value
    this.counts[cell] = countsHigh
  }
}

/** Counts what changes to and fro in every field of view. */
class Fields {
  private readonly direction: Int8Array
  /** When each field changed within the last second, and by how much of it. */
  private readonly changes: { atMs: number; area: number }[][]
  private readonly upTo: Float64Array
  private readonly downTo: Float64Array
  worst: FlashFinding | null = null

  constructor(
    private readonly is: FlashFinding['is'],
    private readonly grid: FlashGrid,
    private readonly size: { columns: number; rows: number },
  ) {
    const { across, down } = this.places()
    this.direction = new Int8Array(across * down)
    this.changes = Array.from({ length: across * down }, () => [])
    this.upTo = new Float64Array((grid.columns + 1) * (grid.rows + 1))
    this.downTo = new Float64Array((grid.columns + 1) * (grid.rows + 1))
  }

  private places() {
    return { across: this.grid.columns - this.size.columns + 1, down: this.grid.rows - this.size.rows + 1 }
  }

  look({ upMs, downMs }: Changes, atMs: number): void {
    this.sum(upMs, atMs, this.upTo)
    this.sum(downMs, atMs, this.downTo)
    const { across, down } = this.places()
    const all = this.size.columns * this.size.rows
    for (let y = 0; y < down; y++)
      for (let x = 0; x < across; x++) {
        const place = y * across + x
        const up = this.countIn(this.upTo, x, y) / all
        const fell = this.countIn(this.downTo, x, y) / all
        const was = this.direction[place]
        // What changed at once is one change, though some of it goes up and some down.
        if (atMs - (this.changes[place]?.at(-1)?.atMs ?? -Infinity) <= togetherMs) continue
        const isUp = up > areaAbove && was !== 1
        const isDown = fell > areaAbove && was !== -1
        if (!isUp && !isDown) continue
        const turned = isUp && (!isDown || up >= fell) ? 1 : -1
        this.direction[place] = turned
        this.note(place, atMs, turned === 1 ? up : fell)
      }
  }

  private note(place: number, atMs: number, area: number): void {
    const recent = this.changes[place]
    if (!recent) return
    recent.push({ atMs, area })
    while (recent[0] && recent[0].atMs <= atMs - secondMs) recent.shift()
    if (recent.length < changesFrom || recent.length <= (this.worst?.changes ?? 0)) return
    this.worst = {
      is: this.is,
      fromMs: recent[0]?.atMs ?? atMs,
      untilMs: atMs,
      changes: recent.length,
      area: recent.reduce((most, each) => Math.max(most, each.area), 0),
    }
  }

  /** How many cells changed lately above and left of each corner. */
  private sum(changedMs: Float64Array, atMs: number, into: Float64Array): void {
    const { columns, rows } = this.grid
    const sinceMs = atMs - togetherMs
    for (let y = 0; y < rows; y++) {
      let inRow = 0
      for (let x = 0; x < columns; x++) {
        if ((changedMs[y * columns + x] ?? -Infinity) >= sinceMs) inRow += 1
        into[(y + 1) * (columns + 1) + x + 1] = (into[y * (columns + 1) + x + 1] ?? 0) + inRow
      }
    }
  }

  private countIn(of: Float64Array, x: number, y: number): number {
    const wide = this.grid.columns + 1
    const at = (column: number, row: number) => of[row * wide + column] ?? 0
    const { columns, rows } = this.size
    return at(x + columns, y + rows) - at(x, y + rows) - at(x + columns, y) + at(x, y)
  }
}

const isDark = (luminance: number) => luminance < darkBelow
const isAny = () => true

/**
 * Looks for flashes that may harm, frame after frame: needs room for the grid alone, and time linear in its cells for each frame.
 * Frames in the order of their moments; thirty a second see all that changes up to fifteen times.
 */
export class FlashMeter {
  private readonly luminance: Changes
  private readonly red: Changes
  private readonly general: Fields
  private readonly reds: Fields

  constructor(private readonly grid: FlashGrid) {
    const cells = grid.columns * grid.rows
    const size = fieldCells(grid)
    this.luminance = new Changes(cells, changeFrom)
    this.red = new Changes(cells, redFrom)
    this.general = new Fields('general', grid, size)
    this.reds = new Fields('red', grid, size)
  }

  /** @param rgba one pixel a cell, row by row, over whatever lies behind: opaque */
  add(rgba: Uint8ClampedArray, atMs: number): void {
    const cells = this.grid.columns * this.grid.rows
    for (let cell = 0; cell < cells; cell++) {
      const red = linear[rgba[cell * 4] ?? 0] ?? 0
      const green = linear[rgba[cell * 4 + 1] ?? 0] ?? 0
      const blue = linear[rgba[cell * 4 + 2] ?? 0] ?? 0
      this.luminance.add(cell, 0.2126 * red + 0.7152 * green + 0.0722 * blue, atMs, true, isDark)
      const isRed = red > 0 && red / (red + green + blue) >= redShare
      this.red.add(cell, Math.max(0, red - green - blue) * redScale, atMs, isRed, isAny)
    }
    this.general.look(this.luminance, atMs)
    this.reds.look(this.red, atMs)
  }

  /** What was found so far: of each kind the second with most; nothing where all is safe. */
  findings(): FlashFinding[] {
    return [this.general.worst, this.reds.worst].flatMap((each) => each ?? [])
  }
}
