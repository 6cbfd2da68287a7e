import { mainKind, type Alert } from '../composition/box.ts'
import { fieldNames } from '../edit/fieldNames.ts'
import { kindNames } from '../events/kindNames.ts'
import type { Part } from '../score/parts/part.ts'

/**
 * What stands at a place of a box, as people say it: "Follow › Everyday › Headline › size".
 * @param path names and ids, as `changedPlaces` writes them; stars are "all"
 */
export function placeWords(alerts: readonly Alert[], path: readonly string[]): string {
  const [root = '', alertId = '', , variationId = '', ...rest] = path
  if (root !== 'alerts') return ['look', ...path.slice(1).map(named)].join(' › ')
  const alert = alerts.find(({ id }) => id === alertId)
  const variation = (alert?.variations ?? alerts.flatMap(({ variations }) => variations)).find(
    ({ id }) => id === variationId,
  )
  const fields = rest.filter((step) => step !== 'composition' && step !== 'parts')
  const [partId = '', ...inPart] = rest.includes('parts') ? fields : ['', ...fields]
  const part = partOf(alerts, alert, partId)
  return [
    alert ? kindNames[mainKind(alert)] : 'all alerts',
    alert && alert.variations.length > 1 ? variation?.name : undefined,
    part?.name ?? (partId === '*' ? 'all parts' : partId),
    ...inPart.map(named),
  ]
    .filter((word) => word !== undefined && word !== '')
    .join(' › ')
}

const named = (field: string): string => fieldNames[field] ?? field

function partOf(alerts: readonly Alert[], alert: Alert | undefined, partId: string): Part | undefined {
  return (alert ? [alert] : alerts)
    .flatMap(({ variations }) => variations.flatMap(({ composition }) => composition.parts))
    .find(({ id }) => id === partId)
}
