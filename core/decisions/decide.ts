import type { BoxDocument, Variation } from '../composition/box.ts'
import type { EventKind } from '../events/kinds.ts'

/** What one box does with one event, and why. Stored with the event and shown as a sentence. */
export type Decision =
  | { outcome: 'plays'; alertId: string; variationId: string; variationName: string; reason: string }
  | { outcome: 'nothing'; reason: string }

/** The chosen variation goes along so that nobody looks it up by name again. */
export type Choice = { decision: Decision; variation: Variation | null }

/**
 * Chooses what an event of this kind plays in the version of a box that is on air. First form: the alert of that kind,
 * if it is on, plays its first variation.
 * @param onAir null when the box was never put on air.
 */
export function decide(kind: EventKind, onAir: BoxDocument | null): Choice {
  const nothing = (reason: string): Choice => ({ decision: { outcome: 'nothing', reason }, variation: null })
  if (!onAir) return nothing('This box has not been put on air yet.')
  const alert = onAir.alerts.find((each) => each.kind === kind)
  if (!alert) return nothing('This box has no alert for this kind of event.')
  if (!alert.isOn) return nothing('The alert for this kind of event is switched off.')
  const variation = alert.variations[0]
  if (!variation) return nothing('The alert has no variation.')
  return {
    decision: {
      outcome: 'plays',
      alertId: alert.id,
      variationId: variation.id,
      variationName: variation.name,
      reason: `The alert for this kind is on; “${variation.name}” is its everyday variation.`,
    },
    variation,
  }
}
