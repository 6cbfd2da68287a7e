import type { Canvas } from '../composition/canvas.ts'
import type { Part } from '../score/parts/part.ts'
import { plainStyle, starterLive, type LiveStyle, type Room } from './starterLive.ts'

/**
 * The parts that a board begins with, where its canvas has room for them: a bar, a list, a chat and a sponsor's line along the
 * edges, so that the middle stays free. A narrow strip has a bar and a list side by side.
 */
export function starterBoard(canvas: Canvas, style: LiveStyle = plainStyle): Part[] {
  const { bar, list, chat, sponsor } = starterLive
  const rooms = roomsOf(canvas)
  const listed = list(canvas, rooms.list, style)
  return [
    bar(canvas, rooms.bar, style),
    rooms.chat ? listed : { ...listed, most: 3 },
    ...(rooms.chat ? [chat(canvas, rooms.chat, style)] : []),
    ...(rooms.line ? [sponsor(canvas, rooms.line, style)] : []),
  ]
}

function roomsOf({ widthPx, heightPx }: Canvas): { bar: Room; list: Room; chat: Room | null; line: Room | null } {
  const room = (left: number, top: number, width: number, height: number): Room => ({
    left: left * widthPx,
    top: top * heightPx,
    widthPx: width * widthPx,
    heightPx: height * heightPx,
  })
  if (widthPx > heightPx * 3)
    return { bar: room(0.02, 0.1, 0.5, 0.8), list: room(0.54, 0.1, 0.44, 0.8), ...{ chat: null, line: null } }
  if (heightPx > widthPx)
    return {
      ...{ bar: room(0.06, 0.05, 0.88, 0.075), list: room(0.06, 0.15, 0.7, 0.16) },
      ...{ chat: room(0.06, 0.58, 0.88, 0.31), line: room(0.06, 0.91, 0.88, 0.05) },
    }
  return {
    bar: room(0.034, 0.056, 0.427, 0.126),
    list: room(0.034, 0.56, 0.333, 0.285),
    chat: room(0.69, 0.32, 0.276, 0.59),
    line: room(0.034, 0.87, 0.42, 0.075),
  }
}
