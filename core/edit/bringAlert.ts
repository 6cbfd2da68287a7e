import type { Alert, BoxDocument, Variation } from '../composition/box.ts'
import { copyOf } from '../copyOf.ts'
import { fitToCanvas } from '../pack/fitToCanvas.ts'
import type { Edit } from './change.ts'
import { freeId } from './freeId.ts'

/** What of another box is brought: an alert, or one of its cases. */
export interface Brought {
  alertId: string
  /** Null: all of its cases. */
  variationId: string | null
}

/**
 * Brings an alert of another box into a box, or one case of it: laid out for its canvas, in its look. Where the box has an alert for
 * such an event already, the cases are asked before its own, so that nothing hides them and nothing of it is lost; else there is a new
 * alert.
 */
export function bringAlert(from: BoxDocument, { alertId, variationId }: Brought): Edit {
  return {
    label: 'bring an alert',
    recipe: (draft) => {
      const alert = fitToCanvas(from, draft.canvas).alerts.find(({ id }) => id === alertId)
      const cases = alert?.variations.filter(({ id }) => variationId === null || id === variationId) ?? []
      if (!alert || cases.length === 0) return
      const there = draft.alerts.find(({ kinds }) => kinds.some((kind) => alert.kinds.includes(kind)))
      if (there) {
        there.variations.unshift(...withFreeIds(cases, there))
        return
      }
      const id = freeId(alert.id, new Set(draft.alerts.map((each) => each.id)))
      draft.alerts.push({ ...copyOf(alert), id, variations: copyOf(cases) })
    },
  }
}

/** Which ids a brought alert has in a box is the box's own matter. */
function withFreeIds(cases: readonly Variation[], { variations }: Pick<Alert, 'variations'>): Variation[] {
  const taken = new Set(variations.map(({ id }) => id))
  return cases.map((each) => {
    const id = freeId(each.id.slice(0, 55), taken)
    taken.add(id)
    return { ...copyOf(each), id }
  })
}

/** Takes an alert, or one of its cases, out of a box: the last case takes its alert with it. */
export function takeOutAlert({ alertId, variationId }: Brought): Edit {
  return {
    label: 'move to another box',
    recipe: (draft) => {
      const alert = draft.alerts.find(({ id }) => id === alertId)
      if (!alert) return
      const left = variationId === null ? [] : alert.variations.filter(({ id }) => id !== variationId)
      if (left.length > 0) alert.variations = left
      else draft.alerts = draft.alerts.filter(({ id }) => id !== alertId)
    },
  }
}
