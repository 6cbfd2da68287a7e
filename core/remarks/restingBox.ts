import { boxAround, type CanvasBox } from '../composition/canvasBox.ts'
import { cornersOf } from '../score/hitTest.ts'
import { isLivePart, type ResolvedScore, type ResolvedVisiblePart } from '../score/resolved.ts'
import { sceneAt } from '../score/sceneAt.ts'
import { standingAt } from '../score/standing.ts'
import type { TextLayouts } from '../score/shownKinds.ts'

/** The moment in the middle of a part's stay, when neither phase moves it. Milliseconds. */
export function stayMs(part: ResolvedVisiblePart): number {
  const from = part.startMs + part.entrance.ms
  const to = part.endMs - part.exit.ms
  return Math.min(part.endMs - 1, Math.max(part.startMs, Math.round((from + to) / 2)))
}

/** Where a part lies in the middle of its stay; null when it is not to be seen then, or has no extent. */
export function restingBox(score: ResolvedScore, layouts: TextLayouts, part: ResolvedVisiblePart): CanvasBox | null {
  // What is kept up to date has its room, whatever it is told.
  if (isLivePart(part)) return boxAround(cornersOf(standingAt(part, part, stayMs(part), score.canvas)))
  const visual = sceneAt(
    { ...score, parts: part.kind === 'backdrop' ? score.parts : [part] },
    layouts,
    stayMs(part),
  ).visuals.find((each) => each.partId === part.id)
  if (!visual || visual.widthPx <= 0 || visual.heightPx <= 0) return null
  return boxAround(cornersOf(visual))
}
