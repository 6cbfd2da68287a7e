import { mainKind, type Alert, type BoxDocument, type Variation } from '../composition/box.ts'
import { kindNames } from '../events/kindNames.ts'
import type { EventKind } from '../events/kinds.ts'
import { isSame } from '../isSame.ts'
import type { Part } from '../parts/part.ts'
import { fieldNames } from './fieldNames.ts'

/** One line of "what changes when this goes on air". */
export interface Difference {
  /** Null for what concerns the box as a whole. */
  kind: EventKind | null
  /** What it is about: the name of a part or a variation. */
  subject: string
  what: string
  before: string
  after: string
}

/** How media files are called, by id. */
export type MediaNames = Readonly<Record<string, string>>

/**
 * Lists what differs between what is on air and the draft, in the order of the draft. A box that was never on air
 * differs by every alert.
 */
export function describeDifferences(air: BoxDocument | null, draft: BoxDocument, names: MediaNames = {}): Difference[] {
  const list: Difference[] = []
  if (air && !isSame(air.canvas, draft.canvas)) {
    list.push({ kind: null, subject: 'Canvas', what: 'size', before: canvasWords(air), after: canvasWords(draft) })
  }
  if (air && !isSame(air.look, draft.look))
    list.push({ kind: null, subject: 'Look', what: 'tokens', before: air.look.name, after: draft.look.name })
  if (air) list.push(...seasonDifferences(air, draft), ...zoneDifferences(air, draft), ...packDifferences(air, draft))
  for (const alert of draft.alerts) {
    const before = air?.alerts.find((each) => each.id === alert.id)
    if (!before)
      list.push({ kind: mainKind(alert), subject: 'Alert', what: 'new', before: '', after: alert.isOn ? 'on' : 'off' })
    else list.push(...alertDifferences(before, alert, names))
  }
  for (const alert of air?.alerts ?? []) {
    if (!draft.alerts.some((each) => each.id === alert.id)) {
      list.push({
        kind: mainKind(alert),
        subject: 'Alert',
        what: 'removed',
        before: alert.isOn ? 'on' : 'off',
        after: '',
      })
    }
  }
  return list
}

function seasonDifferences(air: BoxDocument, draft: BoxDocument): Difference[] {
  const daysOf = (season: BoxDocument['seasons'][number] | undefined) =>
    season ? `${season.from} to ${season.to}` : ''
  const ids = new Set([...draft.seasons, ...air.seasons].map(({ id }) => id))
  return [...ids].flatMap((id) => {
    const [before, after] = [air, draft].map(({ seasons }) => seasons.find((each) => each.id === id))
    if (isSame(before, after)) return []
    const what = !before
      ? 'new'
      : !after
        ? 'removed'
        : before.from === after.from && before.to === after.to
          ? 'look'
          : 'days'
    return [
      {
        kind: null,
        subject: `Season ${(after ?? before)?.look.name ?? ''}`,
        what,
        before: daysOf(before),
        after: daysOf(after),
      },
    ]
  })
}

/**
 * Packs that came, went or are at another release. What their dials turn stands with the alerts and the look; what is
 * declared for others concerns no source, and is said all the same.
 */
function packDifferences(air: BoxDocument, draft: BoxDocument): Difference[] {
  const ids = new Set([...draft.packs, ...air.packs].map(({ id }) => id))
  const packs = [...ids].flatMap((id): Difference[] => {
    const [before, after] = [air, draft].map(({ packs }) => packs.find((each) => each.id === id))
    if (isSame(before, after)) return []
    const what = !before ? 'new' : !after ? 'removed' : before.release === after.release ? 'dials' : 'release'
    const turned = (pack: typeof before) =>
      pack && what === 'dials' ? `${Object.keys(pack.values).length} turned` : (pack?.release ?? '')
    return [
      {
        kind: null,
        subject: `Pack ${(after ?? before)?.name ?? ''}`,
        what,
        before: turned(before),
        after: turned(after),
      },
    ]
  })
  const dials = ({ design }: BoxDocument) =>
    design ? `${design.id} ${design.release}, ${design.dials.length} dials` : 'nothing'
  return isSame(air.design, draft.design)
    ? packs
    : [...packs, { kind: null, subject: 'To hand out', what: 'pack', before: dials(air), after: dials(draft) }]
}

function zoneDifferences(air: BoxDocument, draft: BoxDocument): Difference[] {
  const zoneWords = (zone: BoxDocument['zones'][number] | undefined) =>
    zone
      ? `${zone.purpose}, ${Math.round(zone.widthPx)} × ${Math.round(zone.heightPx)} at ${Math.round(zone.xPx)}, ${Math.round(zone.yPx)}`
      : ''
  const ids = new Set([...draft.zones, ...air.zones].map((zone) => zone.id))
  return [...ids].flatMap((id) => {
    const before = air.zones.find((zone) => zone.id === id)
    const after = draft.zones.find((zone) => zone.id === id)
    if (isSame(before, after)) return []
    return [
      {
        kind: null,
        subject: `Zone ${(after ?? before)?.name ?? ''}`,
        what: !before ? 'new' : !after ? 'removed' : 'zone',
        before: zoneWords(before),
        after: zoneWords(after),
      },
    ]
  })
}

function alertDifferences(before: Alert, after: Alert, names: MediaNames): Difference[] {
  const list: Difference[] = []
  const kind = mainKind(after)
  if (before.isOn !== after.isOn)
    list.push({ kind, subject: 'Alert', what: 'switched', before: onOff(before.isOn), after: onOff(after.isOn) })
  if (!isSame(before.kinds, after.kinds))
    list.push({ kind, subject: 'Alert', what: 'listens to', before: kindWords(before), after: kindWords(after) })
  if (!isSame(before.offer, after.offer))
    list.push({
      kind,
      subject: 'Alert',
      what: 'what viewers choose',
      before: offerWords(before),
      after: offerWords(after),
    })
  for (const variation of after.variations) {
    const earlier = before.variations.find((each) => each.id === variation.id)
    if (earlier) list.push(...variationDifferences(kind, earlier, variation, names))
    else list.push({ kind, subject: variation.name, what: 'new', before: '', after: 'variation' })
  }
  for (const variation of before.variations) {
    if (!after.variations.some((each) => each.id === variation.id))
      list.push({ kind, subject: variation.name, what: 'removed', before: 'variation', after: '' })
  }
  return list
}

function variationDifferences(kind: EventKind, before: Variation, after: Variation, names: MediaNames): Difference[] {
  const list: Difference[] = []
  if (before.name !== after.name)
    list.push({ kind, subject: after.name, what: 'name', before: before.name, after: after.name })
  if (!isSame(before.composition.length, after.composition.length)) {
    list.push({
      kind,
      subject: after.name,
      what: 'duration',
      before: words('length', before.composition.length, names),
      after: words('length', after.composition.length, names),
    })
  }
  const [offBefore, offAfter] = [before.composition.silenced.length, after.composition.silenced.length]
  if (!isSame(before.composition.silenced, after.composition.silenced)) {
    list.push({
      kind,
      subject: after.name,
      what: 'remarks',
      before: `${offBefore} switched off`,
      after: `${offAfter} switched off`,
    })
  }
  for (const part of after.composition.parts) {
    const earlier = before.composition.parts.find((each) => each.id === part.id)
    if (!earlier || earlier.kind !== part.kind)
      list.push({ kind, subject: part.name, what: 'new', before: '', after: part.kind })
    else list.push(...partDifferences(kind, earlier, part, names))
  }
  for (const part of before.composition.parts) {
    if (!after.composition.parts.some((each) => each.id === part.id))
      list.push({ kind, subject: part.name, what: 'removed', before: part.kind, after: '' })
  }
  return list
}

function partDifferences(kind: EventKind, before: Part, after: Part, names: MediaNames): Difference[] {
  const earlier = new Map(Object.entries(before))
  return Object.entries(after)
    .filter(([field, now]) => !isSame(earlier.get(field), now))
    .map(([field, now]) => ({
      kind,
      subject: after.name,
      what: fieldNames[field] ?? field,
      before: words(field, earlier.get(field), names),
      after: words(field, now, names),
    }))
}

const kindWords = ({ kinds }: Alert) => kinds.map((each) => kindNames[each]).join(', ')
const offerWords = ({ offer }: Alert) => offer?.options.map(({ label }) => label).join(', ') ?? 'nothing'

function onOff(isOn: boolean): string {
  return isOn ? 'on' : 'off'
}

function canvasWords({ canvas }: BoxDocument): string {
  return `${canvas.widthPx} × ${canvas.heightPx}, ${canvas.framesPerSecond} fps`
}

/** Units stand in the names of fields; here they are written after the number. */
const units: readonly [ending: RegExp, write: (of: number) => string][] = [
  [/ms$/i, (of) => `${(of / 1000).toFixed(2)} s`],
  [/Px$/, (of) => `${Math.round(of)} px`],
  [/Db$/, (of) => `${of.toFixed(1)} dB`],
  [/Deg$/, (of) => `${Math.round(of)}°`],
  [/^opacity$/, (of) => `${Math.round(of * 100)} %`],
]

/** A value as a person reads it: plain ones as they are, structures as their plain fields. */
function words(field: string, of: unknown, names: MediaNames): string {
  if (of === null || of === undefined) return 'none'
  if (typeof of === 'boolean') return of ? 'yes' : 'no'
  if (typeof of === 'number')
    return units.find(([ending]) => ending.test(field))?.[1](of) ?? String(Math.round(of * 100) / 100)
  if (typeof of === 'string')
    return field === 'template' ? `“${of}”` : field === 'mediaId' ? (names[of] ?? `file ${of.slice(0, 6)}`) : of
  if (field === 'keyframes' && Array.isArray(of))
    return of.length === 0
      ? 'none'
      : `${(of as { frames: unknown[] }[]).reduce((sum, track) => sum + track.frames.length, 0)} keyframes`
  if (Array.isArray(of)) return of.map((each) => words(field, each, names)).join(', ') || 'none'
  return Object.entries(of)
    .map(([name, each]) => words(name, each, names))
    .join(' · ')
}
