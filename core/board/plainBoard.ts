import type { BoxDocument } from '../composition/box.ts'
import type { Canvas } from '../composition/canvas.ts'
import { plainBox } from '../composition/plainBox.ts'
import type { Look } from '../look/schema.ts'
import type { Part } from '../score/parts/part.ts'

/** The score of a board is as long as scores can be while it is composed; on air it has no end. */
const composedMs = 60_000

/** A board of these parts. */
export function plainBoard(canvas: Canvas, look: Look, parts: Part[]): BoxDocument {
  const box = plainBox(canvas, [
    {
      ...{ id: 'board', kinds: [], isOn: true, offer: null },
      variations: [
        {
          ...{ id: 'board-scene', name: 'Board', rule: null, share: null },
          composition: { version: 4, length: { rule: 'fixed', ms: composedMs }, parts, silenced: [] },
        },
      ],
    },
  ])
  return { ...box, look, stays: true }
}
