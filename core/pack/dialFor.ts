import type { BoxDocument } from '../composition/box.ts'
import { mediaId } from '../composition/mediaId.ts'
import { freeId } from '../edit/freeId.ts'
import { hexColour, inkRole, typeRole, type InkRole, type Look } from '../look/schema.ts'
import { slugOf } from '../slugOf.ts'
import type { Dial, Transform } from './dial.ts'
import { placesOf, readAt } from './places.ts'

/** What can be turned at a place, before it is a dial. */
type Turning = { path: string; transform: Transform } & (
  | { kind: 'colour' | 'words' | 'picture' | 'sound' | 'font'; initial: string }
  | { kind: 'number'; initial: number; least: number; most: number; unit: string }
  | { kind: 'switch'; initial: boolean }
)

/** Which way numbers of a field go, where it is not from half to twice what it is: least, most, unit. */
const ranges: Record<string, [least: number, most: number, unit: string]> = {
  opacity: [0, 1, ''],
  rotationDeg: [-180, 180, '°'],
  trimDb: [-24, 6, 'dB'],
  duckDb: [-30, 0, 'dB'],
  pauseMs: [0, 3000, 'ms'],
  soundTrimDb: [-24, 6, 'dB'],
  speedRatio: [0.5, 2, '×'],
  sizeRatio: [0.5, 1.5, '×'],
  outlineRatio: [0, 2, '×'],
  trackingEm: [-0.05, 0.3, 'em'],
  letterSpacingEm: [-0.05, 0.4, 'em'],
  strength: [0.2, 2, '×'],
  targetLufs: [-24, -12, 'LUFS'],
  weight: [300, 800, ''],
  ms: [0, 3000, 'ms'],
  xPx: [0, 1920, 'px'],
  yPx: [0, 1080, 'px'],
  lineHeight: [0.9, 1.8, '×'],
  saturation: [0, 2, '×'],
  brightness: [0.3, 2, '×'],
}

/** A dial's range around a number: never narrower than its field's usual one where that has one. */
function rangeOf(field: string, initial: number): [number, number, string] {
  const [least, most, unit] = ranges[field] ?? [
    Math.round(initial / 2),
    initial > 0 ? Math.ceil(initial * 2) : 10,
    /Px/.test(field) ? 'px' : '',
  ]
  return [Math.min(least, initial), Math.max(most, initial), unit]
}

/**
 * What could be turned at a place: its value says what kind of dial that is. What follows the look is turned there, so
 * that everything which follows it is turned too.
 * @returns null where nothing can be: lists, rules, ids
 */
export function turningAt(document: BoxDocument, path: string): Turning | null {
  const [place] = placesOf(document, path)
  if (!place) return null
  const value = readAt(document, place)
  const field = String(place.at(-1))
  const same: Transform = { as: 'same' }
  if (typeof value === 'boolean')
    return /^is(Hidden|Muted)$/.test(field)
      ? { path, transform: { as: 'turned' }, kind: 'switch', initial: !value }
      : { path, transform: same, kind: 'switch', initial: value }
  if (typeof value === 'number') {
    const [least, most, unit] = rangeOf(field, value)
    return { path, transform: same, kind: 'number', initial: value, least, most, unit }
  }
  if (typeof value === 'string') {
    if (hexColour.safeParse(value).success) return { path, transform: same, kind: 'colour', initial: value }
    if (mediaId.safeParse(value).success)
      return {
        path,
        transform: same,
        kind: soundAt(document, place) ? 'sound' : 'picture',
        initial: value,
      }
    if (field === 'family') return { path, transform: same, kind: 'font', initial: value }
    return field === 'template' || field === 'name' ? { path, transform: same, kind: 'words', initial: value } : null
  }
  return styled(document.look, path, value)
}

const soundAt = (document: BoxDocument, place: readonly (string | number)[]) =>
  place.includes('sounds') || (readAt(document, place.slice(0, -1)) as { kind?: string }).kind === 'sound'

/** Values that follow the look or are their own: of colours, typefaces and pictures that are recoloured. */
function styled(look: Look, path: string, value: unknown): Turning | null {
  if (typeof value !== 'object' || value === null) return null
  if ('role' in value) return ofRole(look, String(value.role))
  if ('own' in value && typeof value.own === 'string')
    return { path, transform: { as: 'own' }, kind: 'colour', initial: value.own }
  if ('own' in value && typeof value.own === 'object' && value.own !== null && 'family' in value.own)
    return { path, transform: { as: 'own' }, kind: 'font', initial: String(value.own.family) }
  if ('mode' in value && (value.mode === 'recolour' || value.mode === 'wash') && 'to' in value)
    return styled(look, `${path}.to`, value.to)
  return null
}

function ofRole(look: Look, role: string): Turning | null {
  const same: Transform = { as: 'same' }
  if (inkRole.safeParse(role).success)
    return { path: `look.palette.${role}`, transform: same, kind: 'colour', initial: look.palette[role as InkRole] }
  const type = typeRole.safeParse(role)
  return type.success
    ? { path: `look.type.${type.data}.family`, transform: same, kind: 'font', initial: look.type[type.data].family }
    : null
}

/** A dial for what stands at a place; null where nothing can be turned. Its name can be changed, its id stays. */
export function dialFor(document: BoxDocument, path: string, label: string): Dial | null {
  const turning = turningAt(document, path)
  if (!turning) return null
  const { path: bound, transform, ...kind } = turning
  const wanted = slugOf(label, 34) || 'dial'
  const id = freeId(wanted, new Set(document.design?.dials.map((each) => each.id)))
  return { id, label: label.slice(0, 60), about: '', group: '', bindings: [{ path: bound, transform }], ...kind }
}

/** The same place in every alert and case: wherever a part of that name stands. */
export function everywhere(path: string): string {
  return path.replace(/^alerts\.[^.]+\.variations\.[^.]+\.(composition\.)?parts\./, 'alerts.*.variations.*.parts.')
}
