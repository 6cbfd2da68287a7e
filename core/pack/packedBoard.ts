import { sceneOf } from '../board/resolveBoard.ts'
import type { BoxDocument } from '../composition/box.ts'
import type { Canvas } from '../composition/canvas.ts'
import type { Composition } from '../composition/schema.ts'
import type { Part } from '../score/parts/part.ts'
import { fitToCanvas } from './fitToCanvas.ts'
import { hasShapeOf } from './hasShapeOf.ts'

/** What is only of one channel stays there: its goals, and the feeds of its chats. */
function anywhere(part: Part): Part {
  if (part.kind === 'bar') return { ...part, goalId: null }
  return part.kind === 'chat' ? { ...part, sources: null } : part
}

/**
 * The scene of a board as it goes along with the pack of a box: laid out for the box's canvas, and with nothing of this channel.
 * @returns null where its canvas is of another shape, or it has no scene
 */
export function packedBoard(board: BoxDocument, canvas: Canvas): Composition | null {
  if (!hasShapeOf(canvas, board.canvas)) return null
  const scene = sceneOf(fitToCanvas(board, canvas))
  return scene && { ...scene, parts: scene.parts.map(anywhere) }
}
