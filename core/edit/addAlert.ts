import type { Alert } from '../composition/box.ts'
import type { Edit } from './change.ts'

/** Adds an alert for a kind that has none yet. */
export function addAlert(alert: Alert): Edit {
  return {
    label: 'add an alert',
    recipe: (draft) => {
      if (!draft.alerts.some((each) => each.kind === alert.kind)) draft.alerts.push(alert)
    },
  }
}
