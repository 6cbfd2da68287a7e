import { err, ok, type Result } from '../result.ts'
import { isBlock, longestRunMs, type RunSheet, type SheetNode, type Step, type StepOf } from './schema.ts'

/** A step with its moments, in milliseconds from the start of the run. A step without a length ends where it begins. */
export interface PlannedStep {
  /** Names the step in every run of this plan. */
  index: number
  atMs: number
  untilMs: number
  step: Exclude<Step, StepOf<'wait' | 'sheet'>>
}

export interface RunPlan {
  steps: PlannedStep[]
  lengthMs: number
}

/** What plans know of things outside: null for what is gone. */
export interface PlanContext {
  /** How long an alert lasts as it stands, or a sound. */
  lengthMs(step: StepOf<'play' | 'sound'>): number | null
  sheetOf(triggerId: string): RunSheet | null
}

export type PlanError =
  | { type: 'circle'; triggerIds: string[] }
  | { type: 'gone'; step: Step }
  | { type: 'tooLong'; lengthMs: number }
  | { type: 'tooMany' }

/** So many steps are in one plan, those of other sheets included. */
export const plannedMax = 500

/**
 * Lays a run sheet out in time: what stands in turn begins where the one before ends, what stands together begins at once
 * and ends with the longest. Other sheets stand in their places as if they had been written there.
 * @returns the steps in the order of their moments (and, at the same moment, of the sheet), or why there is no plan: a
 * sheet that calls itself, an alert, sound or sheet that is gone, too long, too many steps
 * Cost: linear in the steps, n log n for their order.
 */
export function planRunSheet(
  sheet: RunSheet,
  context: PlanContext,
  triggerId: string | null = null,
): Result<RunPlan, PlanError> {
  const steps: PlannedStep[] = []
  let error: PlanError | null = null

  function lay(node: SheetNode, fromMs: number, within: readonly string[]): number {
    if (error) return fromMs
    if (isBlock(node)) {
      if (node.do === 'together') return Math.max(fromMs, ...node.of.map((each) => lay(each, fromMs, within)))
      return node.of.reduce((atMs, each) => lay(each, atMs, within), fromMs)
    }
    if (node.do === 'wait') return fromMs + node.ms
    if (node.do === 'sheet') {
      const inner = context.sheetOf(node.triggerId)
      if (within.includes(node.triggerId)) error = { type: 'circle', triggerIds: [...within, node.triggerId] }
      else if (!inner) error = { type: 'gone', step: node }
      else return lay(inner, fromMs, [...within, node.triggerId])
      return fromMs
    }
    const lengthMs = lengthOf(node, context)
    if (lengthMs === null) error = { type: 'gone', step: node }
    else if (steps.length >= plannedMax) error = { type: 'tooMany' }
    const untilMs = fromMs + (lengthMs ?? 0)
    steps.push({ index: steps.length, atMs: fromMs, untilMs, step: node })
    return untilMs
  }

  const lengthMs = lay(sheet, 0, triggerId === null ? [] : [triggerId])
  if (error) return err(error)
  if (lengthMs > longestRunMs) return err({ type: 'tooLong', lengthMs })
  return ok({ steps: steps.sort((a, b) => a.atMs - b.atMs || a.index - b.index), lengthMs })
}

/** How long a step takes before what stands after it; null where what it needs is gone. */
function lengthOf(step: PlannedStep['step'], context: PlanContext): number | null {
  if (step.do === 'play' || step.do === 'sound') return context.lengthMs(step)
  return 'forMs' in step ? (step.forMs ?? 0) : 0
}
