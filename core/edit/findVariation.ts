import type { Alert, BoxDocument, Variation } from '../composition/box.ts'

/** Where an edit applies: one variation of one alert. */
export interface VariationAddress {
  alertId: string
  variationId: string
}

/** The addressed alert and variation; null when either is gone (deleted by another editor, say). */
export function findVariation(
  document: BoxDocument,
  address: VariationAddress,
): { alert: Alert; variation: Variation } | null {
  const alert = document.alerts.find((each) => each.id === address.alertId)
  const variation = alert?.variations.find((each) => each.id === address.variationId)
  return alert && variation ? { alert, variation } : null
}
