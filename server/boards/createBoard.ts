import { plainBoard } from '../../core/board/plainBoard.ts'
import { starterBoard } from '../../core/board/starterBoard.ts'
import type { Canvas } from '../../core/composition/canvas.ts'
import { lanternLook } from '../../core/look/lanternLook.ts'
import { fitToCanvas } from '../../core/pack/fitToCanvas.ts'
import { hasShapeOf } from '../../core/pack/hasShapeOf.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import { createBoxOf } from '../boxes/createBox.ts'

/**
 * Makes a board of a pack, laid out for this canvas: of its own scene where it brings one of the same shape, else of what boards
 * begin with, in its look. Null: in the look that everything begins with.
 * @returns its id
 */
export async function createBoard(
  channelId: string,
  name: string,
  canvas: Canvas,
  pack: Manifest | null,
): Promise<string> {
  const look = pack?.box.look ?? lanternLook
  const scene = pack && hasShapeOf(canvas, pack.box.canvas) ? pack.board : undefined
  if (!pack || !scene) return createBoxOf(channelId, name, plainBoard(canvas, look, starterBoard(canvas)))
  const board = plainBoard(pack.box.canvas, look, scene.parts)
  return createBoxOf(channelId, name, fitToCanvas(board, canvas))
}
