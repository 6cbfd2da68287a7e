import type { Alert } from '../composition/box.ts'
import type { Edit } from './change.ts'

/** Adds an alert for kinds that have none yet. */
export function addAlert(alert: Alert): Edit {
  return {
    label: 'add an alert',
    recipe: (draft) => {
      if (!draft.alerts.some((each) => each.kinds.some((kind) => alert.kinds.includes(kind)))) draft.alerts.push(alert)
    },
  }
}
