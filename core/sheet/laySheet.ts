import { planRunSheet, type PlanContext } from './planRunSheet.ts'
import { isBlock, type RunSheet, type SheetNode, type Step } from './schema.ts'

/** Where a step stands in its sheet: the places to go down from the root. */
export type StepPath = readonly number[]

/** A step as an editor draws it. Waits are the room between steps, and another sheet is one step. */
export interface LaidStep {
  path: StepPath
  step: Exclude<Step, { do: 'wait' }>
  atMs: number
  untilMs: number
  /** What it needs is gone, or leads back to this sheet. */
  isFaulty: boolean
}

/**
 * Lays out a sheet as it is written, whether it can be run or not.
 * @returns its steps in the order in which they are written. Cost: linear in the steps, and in those of the sheets in it
 */
export function laySheet(sheet: RunSheet, context: PlanContext, triggerId: string): LaidStep[] {
  const laid: LaidStep[] = []
  const lay = (node: SheetNode, fromMs: number, path: StepPath): number => {
    if (isBlock(node)) {
      if (node.do === 'together')
        return Math.max(fromMs, ...node.of.map((each, at) => lay(each, fromMs, [...path, at])))
      return node.of.reduce((atMs, each, at) => lay(each, atMs, [...path, at]), fromMs)
    }
    if (node.do === 'wait') return fromMs + node.ms
    const plan = planRunSheet({ do: 'inTurn', of: [node] }, context, triggerId)
    const untilMs = fromMs + (plan.ok ? plan.value.lengthMs : 0)
    laid.push({ path, step: node, atMs: fromMs, untilMs, isFaulty: !plan.ok })
    return untilMs
  }
  lay(sheet, 0, [])
  return laid
}
