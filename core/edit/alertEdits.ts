import type { Alert, BoxDocument } from '../composition/box.ts'
import type { EventKind } from '../events/kinds.ts'
import type { Edit } from './change.ts'

/** Which kinds an alert listens to. One that another alert listens to already stays with that one. */
export function setAlertKinds(alertId: string, kinds: readonly EventKind[]): Edit {
  return {
    label: 'what an alert listens to',
    recipe: (draft) => {
      const alert = draft.alerts.find((each) => each.id === alertId)
      const free = kinds.filter(
        (kind) => !draft.alerts.some((each) => each.id !== alertId && each.kinds.includes(kind)),
      )
      if (alert && free.length > 0) alert.kinds = free
    },
  }
}

/** What an alert lets viewers choose; null: nothing. Rules that ask for the choice have to go first. */
export function setOffer(alertId: string, offer: Alert['offer']): Edit {
  return {
    label: 'what viewers choose',
    mergeKey: `${alertId}/offer`,
    recipe: (draft) => {
      const alert = draft.alerts.find((each) => each.id === alertId)
      if (alert) alert.offer = offer
    },
  }
}

/** Kinds that no alert of a box listens to. */
export function freeKinds({ alerts }: BoxDocument, kinds: readonly EventKind[]): EventKind[] {
  return kinds.filter((kind) => !alerts.some((alert) => alert.kinds.includes(kind)))
}
