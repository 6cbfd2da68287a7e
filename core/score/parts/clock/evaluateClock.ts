import { lastTold, toldOf } from '../../../board/lastTold.ts'
import type { BoardMoment } from '../../../board/slice.ts'
import { filledLines, type WordsState } from '../../../board/wordsState.ts'
import type { Canvas } from '../../../composition/canvas.ts'
import { localMoment } from '../../../time/localMoment.ts'
import { standingAt } from '../../standing.ts'
import type { ResolvedClock } from './resolveClock.ts'

export interface ClockState extends WordsState {
  kind: 'clock'
}

const two = (number: number) => String(number).padStart(2, '0')

/** A span as clocks count it: `4:07`, `1:04:07`. */
export function spanWords(ms: number): string {
  const seconds = Math.max(0, Math.floor(ms / 1000))
  const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60]
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${minutes}:${two(seconds % 60)}`
}

export function evaluateClock(part: ResolvedClock, moment: BoardMoment, tMs: number, canvas: Canvas): ClockState {
  const nowMs = moment.wallZeroMs + tMs
  const { counts } = part
  const isOver = counts.way === 'down' && nowMs >= counts.toMs && part.whenOver !== ''
  return {
    kind: 'clock',
    ...standingAt(part, part, tMs, canvas),
    lines: filledLines(isOver ? part.whenOver : part.says, { time: timeOf(part, moment, tMs) }, moment.locale),
  }
}

function timeOf({ counts, wantKey }: ResolvedClock, moment: BoardMoment, tMs: number): string {
  const nowMs = moment.wallZeroMs + tMs
  // A second is over when it is over: what counts down shows 0:01 until nothing is left.
  if (counts.way === 'down') return spanWords(Math.ceil((counts.toMs - nowMs) / 1000) * 1000)
  if (counts.way === 'time') {
    const { minute } = localMoment(nowMs, moment.timeZone)
    return `${two(Math.floor(minute / 60))}:${two(minute % 60)}`
  }
  const fromMs = counts.fromMs ?? lastTold(toldOf(moment, wantKey, 'moment'), tMs)?.atMs ?? null
  return spanWords(fromMs === null ? 0 : nowMs - fromMs)
}
