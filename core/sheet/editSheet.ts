import type { StepPath } from './laySheet.ts'
import { isBlock, type RunSheet, type SheetNode, type Step } from './schema.ts'

/** Where a step is put: behind another, or together with it. Null path: at the very end, or together with all. */
export interface StepPlace {
  how: 'after' | 'with'
  path: StepPath | null
}

/** The node at a path; null where there is none. */
export function nodeAt(sheet: RunSheet, path: StepPath): SheetNode | null {
  let node: SheetNode | undefined = sheet
  for (const at of path) {
    if (!node || !isBlock(node)) return null
    node = node.of[at]
  }
  return node ?? null
}

/** The sheet with one node made into others: none takes it out. */
function replaced(node: SheetNode, path: StepPath, make: (node: SheetNode) => SheetNode[]): SheetNode[] {
  const [at, ...rest] = path
  if (at === undefined) return make(node)
  if (!isBlock(node)) return [node]
  return [{ ...node, of: node.of.flatMap((each, index) => (index === at ? replaced(each, rest, make) : [each])) }]
}

const rootOf = (nodes: readonly SheetNode[]): RunSheet => {
  const [only] = nodes
  return nodes.length === 1 && only && isBlock(only) ? only : { do: 'inTurn', of: [...nodes] }
}

/** Without blocks that hold nothing, or only one thing, or the same kind of block as the one around them; waits that follow each other are one. */
export function tidy(sheet: RunSheet): RunSheet {
  const tidied = tidyNode(sheet)
  return rootOf(tidied === null ? [] : [tidied])
}

function tidyNode(node: SheetNode): SheetNode | null {
  if (!isBlock(node)) return node.do === 'wait' && node.ms === 0 ? null : node
  const inside: SheetNode[] = []
  for (const each of node.of) {
    const tidied = tidyNode(each)
    if (tidied === null) continue
    const parts = isBlock(tidied) && tidied.do === node.do ? tidied.of : [tidied]
    for (const part of parts) {
      const last = inside.at(-1)
      if (node.do === 'inTurn' && part.do === 'wait' && last?.do === 'wait')
        inside[inside.length - 1] = { do: 'wait', ms: last.ms + part.ms }
      else inside.push(part)
    }
  }
  if (inside.length === 0) return null
  const [only] = inside
  return inside.length === 1 && only ? only : { ...node, of: inside }
}

/** Changes a step. */
export function changeStep(sheet: RunSheet, path: StepPath, step: Step): RunSheet {
  return tidy(rootOf(replaced(sheet, path, () => [step])))
}

/** Takes a step out, with the wait in front of it. */
export function removeStep(sheet: RunSheet, path: StepPath): RunSheet {
  return tidy(rootOf(replaced(withoutDelay(sheet, path), pathWithoutDelay(sheet, path), () => [])))
}

/** How long a step waits before it begins, after what stands before it. */
export function delayOf(sheet: RunSheet, path: StepPath): number {
  const before = siblingBefore(sheet, path)
  return before?.do === 'wait' ? before.ms : 0
}

/** Has a step wait so long. */
export function setDelay(sheet: RunSheet, path: StepPath, ms: number): RunSheet {
  const bare = withoutDelay(sheet, path)
  const at = pathWithoutDelay(sheet, path)
  const wait: SheetNode = { do: 'wait', ms: Math.max(0, Math.round(ms)) }
  return tidy(rootOf(replaced(bare, at, (node) => [{ do: 'inTurn', of: [wait, node] }])))
}

/** Puts a step somewhere. */
export function insertStep(sheet: RunSheet, step: SheetNode, { how, path }: StepPlace): RunSheet {
  if (path === null || sheet.of.length === 0) {
    if (how === 'after') return tidy({ do: 'inTurn', of: [sheet, step] })
    return tidy({ do: 'together', of: [sheet, step] })
  }
  return tidy(
    rootOf(
      replaced(sheet, path, (node) => [
        how === 'after' ? { do: 'inTurn', of: [node, step] } : { do: 'together', of: [node, step] },
      ]),
    ),
  )
}

/** Moves a step to another place. The same sheet where it would be put beside itself. */
export function moveStep(sheet: RunSheet, from: StepPath, to: StepPlace): RunSheet {
  const moved = nodeAt(sheet, from)
  if (!moved || (to.path !== null && isWithin(to.path, from))) return sheet
  // A mark stands in its old place until it is in the new one, so that no path changes meanwhile.
  const mark: SheetNode = { do: 'wait', ms: -1 }
  const bare = withoutDelay(sheet, from)
  const at = pathWithoutDelay(sheet, from)
  const target = to.path === null ? null : pathAfterDelay(sheet, from, to.path)
  const marked = rootOf(replaced(bare, at, () => [mark]))
  const placed =
    target === null
      ? rootOf([{ do: to.how === 'after' ? 'inTurn' : 'together', of: [marked, moved] }])
      : rootOf(
          replaced(marked, target, (node) => [{ do: to.how === 'after' ? 'inTurn' : 'together', of: [node, moved] }]),
        )
  return tidy(rootOf(withoutMark(placed)))
}

const withoutMark = (node: SheetNode): SheetNode[] => {
  if (node.do === 'wait' && node.ms === -1) return []
  return isBlock(node) ? [{ ...node, of: node.of.flatMap(withoutMark) }] : [node]
}

const isWithin = (path: StepPath, around: StepPath) => around.every((at, depth) => path[depth] === at)

function siblingBefore(sheet: RunSheet, path: StepPath): SheetNode | null {
  const parent = nodeAt(sheet, path.slice(0, -1))
  const at = path.at(-1) ?? 0
  return parent && isBlock(parent) && parent.do === 'inTurn' && at > 0 ? (parent.of[at - 1] ?? null) : null
}

/** The sheet without the wait in front of a step. */
function withoutDelay(sheet: RunSheet, path: StepPath): RunSheet {
  if (siblingBefore(sheet, path)?.do !== 'wait') return sheet
  const wait = [...path.slice(0, -1), (path.at(-1) ?? 0) - 1]
  return rootOf(replaced(sheet, wait, () => []))
}

const pathWithoutDelay = (sheet: RunSheet, path: StepPath): StepPath =>
  siblingBefore(sheet, path)?.do === 'wait' ? [...path.slice(0, -1), (path.at(-1) ?? 0) - 1] : path

/** Where a step is once the wait in front of another is gone. */
function pathAfterDelay(sheet: RunSheet, moved: StepPath, path: StepPath): StepPath {
  if (siblingBefore(sheet, moved)?.do !== 'wait') return path
  const depth = moved.length - 1
  const isBeside = moved.slice(0, -1).every((at, index) => path[index] === at)
  const at = path[depth]
  if (!isBeside || at === undefined || at <= (moved[depth] ?? 0) - 1) return path
  return path.map((each, index) => (index === depth ? each - 1 : each))
}
