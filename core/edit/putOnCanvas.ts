import type { Canvas } from '../composition/canvas.ts'
import { copyOf } from '../copyOf.ts'
import { fitToCanvas } from '../pack/fitToCanvas.ts'
import type { Edit } from './change.ts'

/** Lays all of a box out anew on another canvas, as `fitToCanvas` does. */
export function putOnCanvas(canvas: Canvas): Edit {
  return {
    label: `canvas ${canvas.widthPx} × ${canvas.heightPx}`,
    recipe: (draft) => {
      const { zones, alerts } = fitToCanvas(copyOf(draft), canvas)
      Object.assign(draft, { zones, alerts, canvas })
    },
  }
}
