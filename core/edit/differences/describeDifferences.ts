import { kindOfAlert, mainKind, type Alert, type BoxDocument } from '../../composition/box.ts'
import { kindNames } from '../../events/kindNames.ts'
import { isSame } from '../../isSame.ts'
import { alertDifferences } from './alertDifferences.ts'
import { policyDifferences } from './policyDifferences.ts'
import {
  differencesBy,
  fateOf,
  orderDifference,
  paired,
  saysNothing,
  type ByField,
  type Difference,
  type Telling,
} from './difference.ts'

/** Where nobody says how: English words, amounts in euros, files by the beginning of their ids. */
const plainTelling: Telling = { names: {}, locale: 'en', currency: 'EUR' }

/**
 * Lists what differs between what is on air and the draft, in the order of the draft: nothing where they are the same,
 * at least one line for whatever else. A box that was never on air differs by every alert.
 */
export function describeDifferences(
  air: BoxDocument | null,
  draft: BoxDocument,
  telling: Partial<Telling> = {},
): Difference[] {
  if (!air) return draft.alerts.map(newAlert)
  return differencesBy(ofBox, air, draft, { ...plainTelling, ...telling })
}

const ofBox: ByField<BoxDocument, Telling> = {
  version: saysNothing('only documents of today are compared'),
  stays: saysNothing('what was made a board stays one'),
  canvas: (air, draft) => [
    { kind: null, subject: 'Canvas', what: 'size', before: canvasWords(air), after: canvasWords(draft) },
  ],
  look: (air, draft) => [
    { kind: null, subject: 'Look', what: 'tokens', before: air.look.name, after: draft.look.name },
  ],
  seasons: (air, draft) => [
    ...paired(air.seasons, draft.seasons).flatMap(([before, after]) => seasonDifference(before, after)),
    ...orderDifference(
      { kind: null, subject: 'Seasons', what: 'order' },
      air.seasons,
      draft.seasons,
      ({ look }) => look.name,
    ),
  ],
  zones: (air, draft) => [
    ...paired(air.zones, draft.zones).flatMap(([before, after]) => zoneDifference(before, after)),
    ...orderDifference({ kind: null, subject: 'Zones', what: 'order' }, air.zones, draft.zones, ({ name }) => name),
  ],
  packs: (air, draft) => [
    ...paired(air.packs, draft.packs).flatMap(([before, after]) => packDifference(before, after)),
    ...orderDifference({ kind: null, subject: 'Packs', what: 'order' }, air.packs, draft.packs, ({ name }) => name),
  ],
  design: (air, draft) => [
    { kind: null, subject: 'To hand out', what: 'pack', before: designWords(air), after: designWords(draft) },
  ],
  policy: (air, draft, { locale, currency }) =>
    policyDifferences(air.policy, draft.policy, { locale, currency, cases: caseNames(draft) }),
  alerts: (air, draft, telling) => [
    ...paired(air.alerts, draft.alerts).flatMap(([before, after]) => {
      if (before && after) return alertDifferences(before, after, telling)
      return after ? newAlert(after) : removedAlert(before)
    }),
    ...orderDifference({ kind: null, subject: 'Alerts', what: 'order' }, air.alerts, draft.alerts, alertName),
  ],
}

const onOff = ({ isOn }: Alert) => (isOn ? 'on' : 'off')
const alertName = (alert: Alert) => kindNames[mainKind(alert)]

function newAlert(alert: Alert): Difference {
  const kind = kindOfAlert(alert)
  return { kind, subject: kind ? 'Alert' : 'Scene', what: 'new', before: '', after: onOff(alert) }
}

function removedAlert(alert: Alert | undefined): Difference[] {
  if (!alert) return []
  return [{ kind: kindOfAlert(alert), subject: 'Alert', what: 'removed', before: onOff(alert), after: '' }]
}

type Season = BoxDocument['seasons'][number]

function seasonDifference(before: Season | undefined, after: Season | undefined): Difference[] {
  if (isSame(before, after)) return []
  const daysOf = (season: Season | undefined) => (season ? `${season.from} to ${season.to}` : '')
  const isSameDays = daysOf(before) === daysOf(after)
  return [
    {
      kind: null,
      subject: `Season ${(after ?? before)?.look.name ?? ''}`,
      what: fateOf(before, after, isSameDays ? 'look' : 'days'),
      before: daysOf(before),
      after: daysOf(after),
    },
  ]
}

/** How the cases of a box are called, by id. */
export const caseNames = ({ alerts }: Pick<BoxDocument, 'alerts'>): Record<string, string> =>
  Object.fromEntries(alerts.flatMap(({ variations }) => variations.map(({ id, name }) => [id, name])))

type Zone = BoxDocument['zones'][number]

function zoneDifference(before: Zone | undefined, after: Zone | undefined): Difference[] {
  if (isSame(before, after)) return []
  return [
    {
      kind: null,
      subject: `Zone ${(after ?? before)?.name ?? ''}`,
      what: fateOf(before, after, 'zone'),
      before: zoneWords(before),
      after: zoneWords(after),
    },
  ]
}

function zoneWords(zone: Zone | undefined): string {
  if (!zone) return ''
  const [width, height, x, y] = [zone.widthPx, zone.heightPx, zone.xPx, zone.yPx].map(Math.round)
  return `${zone.purpose}, ${width} × ${height} at ${x}, ${y}`
}

type Taken = BoxDocument['packs'][number]

/**
 * A pack that came, went or is at another release. What its dials turn stands with the alerts and the look; what is
 * declared for others concerns no source, and is said all the same.
 */
function packDifference(before: Taken | undefined, after: Taken | undefined): Difference[] {
  if (isSame(before, after)) return []
  const what = fateOf(before, after, before?.release === after?.release ? 'dials' : 'release')
  const turned = (pack: Taken | undefined) => {
    if (pack && what === 'dials') return `${Object.keys(pack.values).length} turned`
    return pack?.release ?? ''
  }
  return [
    {
      kind: null,
      subject: `Pack ${(after ?? before)?.name ?? ''}`,
      what,
      before: turned(before),
      after: turned(after),
    },
  ]
}

function designWords({ design }: BoxDocument): string {
  return design ? `${design.id} ${design.release}, ${design.dials.length} dials` : 'nothing'
}

function canvasWords({ canvas }: BoxDocument): string {
  return `${canvas.widthPx} × ${canvas.heightPx}, ${canvas.framesPerSecond} fps`
}
