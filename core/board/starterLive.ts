import type { Canvas } from '../composition/canvas.ts'
import { untilTheEnd } from '../composition/untilTheEnd.ts'
import { plainVisible } from '../composition/visiblePart.ts'
import type { Bar } from '../score/parts/bar/schema.ts'
import type { Chat } from '../score/parts/chat/schema.ts'
import type { Clock } from '../score/parts/clock/schema.ts'
import type { List } from '../score/parts/list/schema.ts'
import type { LivePartKind, PartOf } from '../score/parts/part.ts'
import type { Sponsor } from '../score/parts/sponsor/schema.ts'
import type { Tally } from '../score/parts/tally/schema.ts'
import type { Top } from '../score/parts/top/schema.ts'
import type { LiveFields } from './liveFields.ts'

/** Where a part stands: its upper left corner and its size, in canvas pixels. */
export interface Room {
  left: number
  top: number
  widthPx: number
  heightPx: number
}

/** How the parts of a board look alike. */
export interface LiveStyle {
  plateOpacity: number
  /** How round corners are, as a ratio of the size of letters. */
  roundness: number
  isUpperCase: boolean
  /** Outlines of letters, as a ratio of their size. */
  outlineRatio: number
}
export const plainStyle: LiveStyle = { plateOpacity: 0.85, roundness: 0.4, isUpperCase: false, outlineRatio: 0 }

/** Letters are sized for a canvas 1080 on its shorter side; those of a strip by its length. */
const reach = ({ widthPx, heightPx }: Canvas): number =>
  Math.min(2, Math.max(Math.min(widthPx, heightPx) / 1080, widthPx / 1920))
/** As large as letters usually are, and no larger than their rows have room for. */
const rowPx = (usualPx: number, canvas: Canvas, room: Room, rows: number): number =>
  Math.min(usualPx * reach(canvas), room.heightPx / (rows * 1.5 + 1))

/** No letters are smaller. */
const leastPx = 8

function fieldsOf(id: string, name: string, room: Room, wantedPx: number, style: LiveStyle): LiveFields {
  const sizePx = Math.max(leastPx, wantedPx)
  return {
    ...{ id, name, ...plainVisible },
    clip: { start: { at: 'score.start', offsetMs: 0 }, end: untilTheEnd() },
    place: { xPx: Math.round(room.left), yPx: Math.round(room.top), origin: 'topLeft' },
    motion: { entrance: { role: 'enter' }, exit: { role: 'leave' } },
    opacity: 1,
    widthPx: Math.round(room.widthPx),
    heightPx: Math.round(room.heightPx),
    padPx: Math.round(sizePx * 0.5),
    plate: { ink: { role: 'plate' }, opacity: style.plateOpacity, radiusPx: Math.round(sizePx * style.roundness) },
    type: { role: 'text' },
    ...{ sizePx: Math.round(sizePx), align: 'start', lineHeight: 1.25, letterSpacingEm: 0 },
    isUpperCase: style.isUpperCase,
    ink: { role: 'body' },
    highlightInk: { role: 'accent' },
    outline: { widthPx: Math.round(sizePx * style.outlineRatio), ink: { role: 'outline' } },
    shadow: null,
  }
}

/** Makes a part of a board for a room of it. */
type Make<K extends LivePartKind> = (canvas: Canvas, room: Room, style?: LiveStyle) => PartOf<K>

const bar: Make<'bar'> = (canvas, room, style = plainStyle): Bar => ({
  ...fieldsOf('bar', 'Goal bar', room, Math.min(room.heightPx * 0.34, room.widthPx * 0.06), style),
  kind: 'bar',
  ...{ goalId: null, form: 'lying', mediaId: null },
  says: '{title}\n{amount} of {target}',
  atEnd: '{days, plural, =0 {last day} one {# day} other {# days}}',
  type: { role: 'display' },
  ink: { role: 'headline' },
  highlightInk: { role: 'headline' },
  fillInk: { role: 'accent' },
  ...{ countsMs: 1200, hasMarks: true, whenReached: 'glow' },
})

const list: Make<'list'> = (canvas, room, style = plainStyle): List => ({
  ...fieldsOf('list', 'What happened last', room, rowPx(34, canvas, room, 5), style),
  kind: 'list',
  kinds: ['follow', 'subscription', 'resubscription', 'giftBatch', 'tip', 'paidMessage', 'raid', 'membership'],
  ...{ leastMinor: 0, most: 5, words: {}, hasAges: true, form: 'standing', newest: 'top' },
  gapPx: Math.round(10 * reach(canvas)),
  ...{ pales: true, pxPerS: Math.round(90 * reach(canvas)) },
})

const chat: Make<'chat'> = (canvas, room, style = plainStyle): Chat => ({
  ...fieldsOf('chat', 'Chat', room, 30 * reach(canvas), style),
  kind: 'chat',
  ...{ sources: null, most: 20, fadesAfterS: null, hasMarks: true, hasEmotes: true, hasOwnInks: true },
  ...{ hidesBlocked: true, mostLines: 4, newest: 'bottom' },
  gapPx: Math.round(8 * reach(canvas)),
})

const top: Make<'top'> = (canvas, room, style = plainStyle): Top => ({
  ...fieldsOf('top', 'Who gave most', room, rowPx(32, canvas, room, 5), style),
  kind: 'top',
  ...{ kinds: ['tip', 'paidMessage'], since: 'month', most: 5, hasRanks: true },
  gapPx: Math.round(10 * reach(canvas)),
})

const tally: Make<'tally'> = (canvas, room, style = plainStyle): Tally => ({
  ...fieldsOf('tally', 'Count', room, Math.min(60 * reach(canvas), room.heightPx * 0.5), style),
  kind: 'tally',
  ...{ kinds: ['follow'], command: null, since: 'stream' },
  says: '{count, plural, one {# new follower} other {# new followers}}',
  countsMs: 600,
  align: 'middle',
  type: { role: 'display' },
})

const clock: Make<'clock'> = (canvas, room, style = plainStyle): Clock => ({
  ...fieldsOf('clock', 'Clock', room, Math.min(60 * reach(canvas), room.heightPx * 0.5), style),
  kind: 'clock',
  counts: { way: 'up', fromMs: null },
  says: '{time}',
  whenOver: '',
  align: 'middle',
  type: { role: 'display' },
})

const sponsor: Make<'sponsor'> = (canvas, room, style = plainStyle): Sponsor => ({
  ...fieldsOf('sponsor', 'Sponsor', room, Math.min(34 * reach(canvas), room.heightPx * 0.42), style),
  kind: 'sponsor',
  ...{ standsS: 20, hasPicture: true },
})

export const starterLive: { [K in LivePartKind]: Make<K> } = { bar, list, chat, top, tally, clock, sponsor }

/** How large each is that is new, on a canvas 1080 high. */
const usualRoom: Record<LivePartKind, { widthPx: number; heightPx: number }> = {
  bar: { widthPx: 820, heightPx: 136 },
  list: { widthPx: 640, heightPx: 300 },
  chat: { widthPx: 520, heightPx: 600 },
  top: { widthPx: 520, heightPx: 300 },
  tally: { widthPx: 520, heightPx: 110 },
  clock: { widthPx: 300, heightPx: 110 },
  sponsor: { widthPx: 760, heightPx: 80 },
}

/** A part of a board in the middle of the canvas, as large as such parts usually are. */
export function newLive<K extends LivePartKind>(kind: K, canvas: Canvas): PartOf<K> {
  const ratio = reach(canvas)
  const widthPx = Math.min(usualRoom[kind].widthPx * ratio, canvas.widthPx * 0.9)
  const heightPx = Math.min(usualRoom[kind].heightPx * ratio, canvas.heightPx * 0.9)
  const room = { left: (canvas.widthPx - widthPx) / 2, top: (canvas.heightPx - heightPx) / 2, widthPx, heightPx }
  return starterLive[kind](canvas, room) as PartOf<K>
}
