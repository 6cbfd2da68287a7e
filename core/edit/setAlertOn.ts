import type { Edit } from './change.ts'

/** Switches an alert on or off. Events of its kind are kept either way. */
export function setAlertOn(alertId: string, isOn: boolean): Edit {
  return {
    label: isOn ? 'switch the alert on' : 'switch the alert off',
    recipe: (draft) => {
      const alert = draft.alerts.find((each) => each.id === alertId)
      if (alert) alert.isOn = isOn
    },
  }
}
