import type { BoxDocument } from '../composition/box.ts'
import { isSame } from '../isSame.ts'
import type { Part } from '../score/parts/part.ts'
import type { Edit } from './change.ts'
import { pasteMotion, pasteStyle, takesStyle } from './pasteStyle.ts'

/** The parts of other variations that play the role of this one: of the same kind, and called the same. */
export function counterparts(document: BoxDocument, from: Part): { alertId: string; partId: string }[] {
  return document.alerts.flatMap((alert) =>
    alert.variations.flatMap((variation) =>
      variation.composition.parts
        .filter((part) => isCounterpart(part, from))
        .map((part) => ({ alertId: alert.id, partId: part.id })),
    ),
  )
}

function isCounterpart(part: Part, from: Part): boolean {
  return part.kind === from.kind && part.name === from.name && takesStyle(from, part)
}

/**
 * Gives the style and motion of one part to its counterparts in every alert of the box, as one step. Words, files,
 * place and time stay.
 */
export function applyEverywhere(from: Part): Edit {
  return {
    label: `${from.name}: same style and motion in every alert`,
    recipe: (draft) => {
      for (const alert of draft.alerts) {
        for (const { composition } of alert.variations) {
          for (const part of composition.parts) {
            if (!isCounterpart(part, from) || isSame(part, from)) continue
            pasteStyle(from, part)
            pasteMotion(from, part)
          }
        }
      }
    },
  }
}
