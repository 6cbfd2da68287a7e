import { numberAt, progressOf } from '../../../board/changing.ts'
import { lastTold, toldOf } from '../../../board/lastTold.ts'
import type { BoardMoment, GoalSlice, Told } from '../../../board/slice.ts'
import { filledLines } from '../../../board/wordsState.ts'
import type { Canvas } from '../../../composition/canvas.ts'
import { fillTemplate } from '../../../text/fillTemplate.ts'
import { formatWholeMoney } from '../../../money.ts'
import { minorDigits } from '../../../minorDigits.ts'
import type { TemplateValue, TemplateValues } from '../../../text/templateValue.ts'
import type { TextPiece } from '../../../text/textPiece.ts'
import { standingAt } from '../../standing.ts'
import type { VisualBase } from '../../visualBase.ts'
import type { ResolvedBar } from './resolveBar.ts'

export interface BarState extends VisualBase {
  kind: 'bar'
  /** How full it is, 0…1. */
  ratio: number
  /** Where targets are, and whether they are reached; the last stands at its end and has no mark. */
  marks: { ratio: number; isReached: boolean }[]
  /** How strongly it shows that a target was just reached, 0…1. */
  glow: number
  lines: TextPiece[][]
  end: TextPiece[]
}

type GoalShown = NonNullable<GoalSlice['goal']>

/** So long a bar shows that something was reached. */
const glowMs = 3200
/** So long a full bar is seen before it goes on to its next target, and so long that takes. */
const fullMs = 1800
const stretchMs = 900

/** A bar at a moment: it counts up from what it showed, and its words count with it. */
export function evaluateBar(part: ResolvedBar, moment: BoardMoment, tMs: number, canvas: Canvas): BarState {
  const told = toldOf(moment, part.wantKey, 'goal')
  const goal = lastTold(told, tMs)?.goal ?? null
  const base = { kind: 'bar' as const, ...standingAt(part, part, tMs, canvas) }
  if (!goal) return { ...base, ratio: 0, marks: [], glow: 0, lines: [], end: [] }
  const amount = Math.round(
    numberAt(
      ofGoal(told, goal.id, ({ amount: value }) => value),
      part.countsMs,
      tMs,
    ),
  )
  const lengths = lengthsOf(told, goal.id, part.countsMs)
  const length = numberAt(lengths, stretchMs, tMs)
  const target = lengths.findLast(({ atMs }, index) => index === 0 || atMs <= tMs)?.value ?? goal.target
  const values = valuesOf(goal, amount, target, moment.locale)
  return {
    ...base,
    ratio: length <= 0 ? 0 : Math.min(1, Math.max(0, amount / length)),
    marks: part.hasMarks
      ? goal.targets
          .map((each) => ({ ratio: each / length, isReached: each <= amount }))
          .filter(({ ratio }) => ratio < 0.999)
      : [],
    glow: part.whenReached === 'nothing' ? 0 : glowAt(told, part.countsMs, tMs),
    lines: filledLines(part.says, values, moment.locale),
    end: fillTemplate(part.atEnd, values, moment.locale),
  }
}

/**
 * How long the bar is, by time: until a target is reached it is that target; the next one comes when the bar has been seen
 * full for a while.
 */
function lengthsOf(told: readonly Told<GoalSlice>[], id: string, countsMs: number): { atMs: number; value: number }[] {
  const lengths: { atMs: number; value: number }[] = []
  for (const { atMs, value } of ofGoal(told, id, ({ target }) => target)) {
    const before = lengths.at(-1)
    const waits = before && value > before.value ? countsMs + fullMs : 0
    lengths.push({ atMs: Math.max(atMs + waits, before?.atMs ?? 0), value })
  }
  return lengths
}

/** What was told of one goal: another one does not count on from it. */
const ofGoal = (told: readonly Told<GoalSlice>[], id: string, value: (goal: GoalShown) => number) =>
  told.flatMap(({ atMs, slice: { goal } }) => (goal?.id === id ? [{ atMs, value: value(goal) }] : []))

/** Targets that are reached, of all rounds. */
const reachedIn = ({ amount, targets, round }: GoalShown) =>
  round * targets.length + targets.filter((each) => each <= amount).length

/** From when the newest target was reached, it glows and fades. The bar has to have got there first. */
function glowAt(told: readonly Told<GoalSlice>[], countsMs: number, tMs: number): number {
  let glow = 0
  for (let index = 1; index < told.length; index++) {
    const [before, after] = [told[index - 1]?.slice.goal, told[index]]
    const goal = after?.slice.goal
    if (!before || !after || goal?.id !== before.id || reachedIn(goal) <= reachedIn(before)) continue
    const sinceMs = after.atMs + countsMs * 0.6
    if (tMs >= sinceMs) glow = 1 - progressOf(sinceMs, glowMs, tMs)
  }
  return glow
}

function valuesOf(goal: GoalShown, amount: number, target: number, locale: string): TemplateValues {
  const { title, currency, round, daysLeft, last } = goal
  const unit = currency === null ? 1 : 10 ** minorDigits(currency)
  // Between two whole amounts it counts in whole ones: cents that rush by say nothing.
  const isWhole = goal.amount % unit === 0 && target % unit === 0
  const shown = (value: number): TemplateValue => {
    if (currency === null) return value
    return isWhole ? formatWholeMoney(value, currency, locale) : { amountMinor: value, currency }
  }
  return {
    title,
    amount: shown(amount),
    target: shown(target),
    missing: shown(Math.max(0, target - amount)),
    percent: Math.floor((100 * amount) / target),
    ...(round > 0 ? { round } : {}),
    ...(daysLeft === null ? {} : { days: daysLeft }),
    ...(last ? { last: last.name, gave: last.amount } : {}),
  }
}
