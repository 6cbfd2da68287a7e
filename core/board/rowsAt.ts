import { goingAt, progressOf, type Going } from './changing.ts'
import type { Row, RowsSlice, Told } from './slice.ts'

/** A row where it is drawn. */
export interface PlacedRow {
  row: Row
  /** From the edge at which the newest stands to the row's near side; canvas pixels. */
  fromEdgePx: number
  heightPx: number
  opacity: number
  /** How far it still is from where it belongs, sideways: 1 when it comes, 0 when it is there. */
  out: number
}

export interface RowsRoom {
  /** Along which rows stand. What lies wholly beyond is left out. */
  heightPx: number
  gapPx: number
  /** How long rows take to move, come and go. */
  changeMs: number
  heightOf: (row: Row) => number
}

interface Track {
  row: Row
  at: Going
  opacity: Going
  out: Going
  /** It is none of the rows any more: it fades, and then it is gone. */
  isLeaving: boolean
}

interface Place {
  atPx: number
  /** 0 for a row that would be cut: it is left out rather. The first is always there. */
  opacity: 0 | 1
}

/** Rows of one moment one behind the other, from the edge at which the newest stands. */
function placesOf(rows: readonly Row[], { gapPx, heightPx, heightOf }: RowsRoom): Map<string, Place> {
  const places = new Map<string, Place>()
  let atPx = 0
  for (const row of rows) {
    const endPx = atPx + heightOf(row)
    // Letters are measured in fractions of pixels.
    places.set(row.id, { atPx, opacity: atPx === 0 || endPx <= heightPx + 1 ? 1 : 0 })
    atPx = endPx + gapPx
  }
  return places
}

/**
 * Where rows stand at a moment: those that are there move to their new places from wherever they are, new ones come in, others
 * fade where they stand, and what was taken away is gone at once. Pure: the same moment gives the same rows, whatever was
 * asked before. Linear in changes times rows.
 */
export function rowsAt(told: readonly Told<RowsSlice>[], room: RowsRoom, tMs: number): PlacedRow[] {
  let tracks = new Map<string, Track>()
  for (const [index, { atMs, slice }] of told.entries()) {
    if (index > 0 && atMs > tMs) break
    tracks = index === 0 ? standing(slice.rows, room, atMs) : changed(tracks, slice, room, atMs)
  }
  const placed: PlacedRow[] = []
  for (const { row, at, opacity, out } of tracks.values()) {
    const shown = goingAt(opacity, room.changeMs, tMs)
    const fromEdgePx = goingAt(at, room.changeMs, tMs)
    const heightPx = room.heightOf(row)
    if (shown <= 0 || fromEdgePx >= room.heightPx || fromEdgePx + heightPx <= 0) continue
    placed.push({ row, fromEdgePx, heightPx, opacity: shown, out: goingAt(out, room.changeMs, tMs) })
  }
  return placed
}

const nowhere: Place = { atPx: 0, opacity: 0 }
const still = (value: number, sinceMs: number): Going => ({ from: value, to: value, sinceMs })

function standing(rows: readonly Row[], room: RowsRoom, atMs: number): Map<string, Track> {
  const places = placesOf(rows, room)
  return new Map(
    rows.map((row) => {
      const { atPx, opacity } = places.get(row.id) ?? nowhere
      const standsStill = { at: still(atPx, atMs), opacity: still(opacity, atMs), out: still(0, atMs) }
      return [row.id, { row, ...standsStill, isLeaving: false }]
    }),
  )
}

function changed(before: Map<string, Track>, slice: RowsSlice, room: RowsRoom, atMs: number): Map<string, Track> {
  const { changeMs } = room
  const towards = (going: Going, to: number): Going =>
    going.to === to ? going : { from: goingAt(going, changeMs, atMs), to, sinceMs: atMs }
  /** Its last bit of fading is over by now. */
  const isGone = ({ isLeaving, opacity }: Track) => isLeaving && progressOf(opacity.sinceMs, changeMs, atMs) === 1
  const places = placesOf(slice.rows, room)
  const removed = new Set(slice.removed)
  const after = new Map<string, Track>()
  for (const row of slice.rows) {
    const there = before.get(row.id)
    // One that comes back after it has gone is new.
    const known = there && isGone(there) ? undefined : there
    const { atPx, opacity } = places.get(row.id) ?? nowhere
    after.set(
      row.id,
      known
        ? {
            row,
            at: towards(known.at, atPx),
            opacity: towards(known.opacity, opacity),
            out: towards(known.out, 0),
            isLeaving: false,
          }
        : {
            row,
            at: still(atPx, atMs),
            opacity: { from: 0, to: opacity, sinceMs: atMs },
            out: { from: 1, to: 0, sinceMs: atMs },
            isLeaving: false,
          },
    )
  }
  for (const [id, track] of before) {
    if (after.has(id) || removed.has(id)) continue
    if (isGone(track)) continue
    after.set(id, { ...track, opacity: towards(track.opacity, 0), isLeaving: true })
  }
  return after
}

/** So many changes are kept at most where they come faster than they settle: what the oldest still moves is hardly seen. */
export const toldMost = 60

/**
 * What has to be kept of all that was told so that nothing is drawn otherwise from `tMs` on: everything from the last change
 * on that had come to rest before the next one came.
 * @param settleMs how long a change takes at most
 */
export function pruned<T extends { atMs: number }>(told: readonly T[], settleMs: number, tMs: number): readonly T[] {
  for (let index = told.length - 1; index > 0; index--) {
    const each = told[index]
    if (each && each.atMs + settleMs <= Math.min(tMs, told[index + 1]?.atMs ?? Infinity)) return told.slice(index)
  }
  return told.length > toldMost ? told.slice(-toldMost) : told
}
