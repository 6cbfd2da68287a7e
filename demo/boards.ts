import { plainBoard } from '../core/board/plainBoard.ts'
import { starterLive } from '../core/board/starterLive.ts'
import type { BoxDocument } from '../core/composition/box.ts'
import type { Canvas } from '../core/composition/canvas.ts'
import type { EventKind } from '../core/events/kinds.ts'
import { lanternLook } from '../core/look/lanternLook.ts'
import type { Part } from '../core/score/parts/part.ts'

/** How the bakery says what happened. */
const words: Partial<Record<EventKind, string>> = {
  follow: '{name} joined the night shift',
  subscription: '{name} has a standing order',
  resubscription: '{name} {months} months',
  giftBatch: '{name} gave {count, plural, =5 {a tray of five} =20 {the whole rack} other {# standing orders}}',
  tip: '{name} left {amount}',
  paidMessage: '{name} left {amount}',
  raid: '{name} brought {party}',
  membership: '{name} joined the night shift',
}

function partsOf(canvas: Canvas, isWide: boolean): Part[] {
  const { bar, list, chat, sponsor } = starterLive
  const listed = { words, hasAges: false, plate: null, outline: { widthPx: 4, ink: { role: 'outline' as const } } }
  if (!isWide)
    return [
      bar(canvas, { left: 20, top: 30, widthPx: 520, heightPx: 180 }),
      { ...list(canvas, { left: 570, top: 20, widthPx: 490, heightPx: 200 }), ...listed, most: 4 },
    ]
  return [
    { ...bar(canvas, { left: 90, top: 78, widthPx: 830, heightPx: 132 }), atEnd: '{days, plural, other {# days}}' },
    { ...list(canvas, { left: 76, top: 570, widthPx: 760, heightPx: 320 }), ...listed, most: 5 },
    chat(canvas, { left: 1300, top: 322, widthPx: 516, heightPx: 604 }),
    sponsor(canvas, { left: 90, top: 930, widthPx: 830, heightPx: 84 }),
  ]
}

const wide = { widthPx: 1920, heightPx: 1080, framesPerSecond: 30 }
const strip = { widthPx: 1080, heightPx: 240, framesPerSecond: 30 }

/** What stays on screen in the bakery, and in which scenes of its studio. */
export const demoBoards = (): { id: string; name: string; document: BoxDocument; scenes: string[] }[] => [
  {
    id: 'board-counter',
    name: 'Counter board',
    document: plainBoard(wide, lanternLook, partsOf(wide, true)),
    scenes: ['Oven cam', 'Bench cam'],
  },
  {
    id: 'board-window-strip',
    name: 'Window strip',
    document: plainBoard(strip, lanternLook, partsOf(strip, false)),
    scenes: ['Street window'],
  },
]
