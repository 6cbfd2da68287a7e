import { kindNames } from '../../../core/events/kindNames.ts'
import { mainKind } from '../../../core/composition/box.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import type { StepNames } from './stepWords.ts'

/** What steps of run sheets name, as it is called here. */
export function useStepNames(): StepNames {
  const boxes = useBoxesStore()
  const media = useMediaStore()
  const triggers = useTriggersStore()
  return {
    caseName(boxId, alertId, variationId) {
      const alert = boxes.boxes?.find(({ id }) => id === boxId)?.document.alerts.find(({ id }) => id === alertId)
      if (!alert) return boxes.boxes ? 'an alert that is gone' : '…'
      const variation = alert.variations.find(({ id }) => id === variationId)
      return variation?.name ?? kindNames[mainKind(alert)]
    },
    fileName: (id) => media.find(id)?.name ?? 'a sound',
    triggerName: (id) => triggers.find(id)?.trigger.name ?? 'one that is gone',
  }
}
