import type { BoxDocument } from '../composition/box.ts'
import { sampleNames, type SampleName } from '../events/sampleEvent.ts'

/** What every case is shown with. */
export const proofSamples = Object.keys(sampleNames) as SampleName[]

/** The cases of a box in their order. A board has none: it is looked at by its states. */
export const proofCases = ({ alerts, stays }: Pick<BoxDocument, 'alerts' | 'stays'>) =>
  stays ? [] : alerts.flatMap((alert) => alert.variations.map((variation) => ({ alert, variation })))

export const caseKey = (alertId: string, variationId: string): string => `${alertId}/${variationId}`
