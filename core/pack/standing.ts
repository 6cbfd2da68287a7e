import type { Alert } from '../composition/box.ts'
import type { Canvas } from '../composition/canvas.ts'
import type { Look } from '../look/schema.ts'
import type { Season } from '../look/seasons.ts'
import type { DialValue } from './dial.ts'
import { fitToCanvas } from './fitToCanvas.ts'
import { turned, valueOf, type DialValues, type Turnable } from './turnDials.ts'
import type { TakenPack } from './takenPack.ts'

/**
 * What a pack gives a box as its dials stand: the design with the layer of the dials over it, before what a person
 * changed by hand.
 */
export interface Standing {
  alerts: Alert[]
  /** Only where the box has the pack's look. */
  look?: Look
  seasons?: Season[]
}

/** What an id of a pack has at its end where the box had another of that name. */
const suffixOf = (inPack: string, inBox: string) => inBox.slice(inPack.length)

/** An alert of a pack as it is called in a box. */
export function called(alert: Alert, inBox: string): Alert {
  const suffix = suffixOf(alert.id, inBox)
  return suffix === ''
    ? alert
    : {
        ...alert,
        id: inBox,
        variations: alert.variations.map((variation) => ({ ...variation, id: `${variation.id}${suffix}` })),
      }
}

/** The same for a path of the pack: null where it leads to an alert that the box has not taken. */
export function calledPath(path: string, { alerts }: Pick<TakenPack, 'alerts'>): string | null {
  const [root, alert = '', field, variation, ...rest] = path.split('.')
  if (root !== 'alerts' || alert === '*') return path
  const inBox = alerts[alert]
  if (inBox === undefined) return null
  const steps = [
    root,
    inBox,
    field,
    variation === undefined || variation === '*' ? variation : `${variation}${suffixOf(alert, inBox)}`,
    ...rest,
  ]
  return steps.filter((step) => step !== undefined).join('.')
}

/** What a pack gives a box, with the dials as it has them. */
export function standingOf(pack: Turnable, taken: TakenPack, canvas: Canvas): Standing {
  // Dials turn what the designer drew, in the designer's pixels; then all of it is fitted.
  const everyday = fitToCanvas(turned(pack, taken.values), canvas)
  const alerts = everyday.alerts.flatMap((alert) => {
    const inBox = taken.alerts[alert.id]
    if (inBox === undefined) return []
    const exceptions = taken.exceptions[inBox]
    return [called(exceptions ? exceptional(pack, taken, alert.id, exceptions, canvas) : alert, inBox)]
  })
  return taken.wearsLook ? { alerts, look: everyday.look, seasons: everyday.seasons } : { alerts }
}

/**
 * One alert with dials of its own. What a dial turns in the look becomes the alert's own, wherever it follows that
 * role.
 */
function exceptional(pack: Turnable, taken: TakenPack, alertId: string, exceptions: DialValues, canvas: Canvas): Alert {
  const values = { ...taken.values, ...exceptions }
  const box = fitToCanvas(turned(pack, values), canvas)
  const alert = box.alerts.find(({ id }) => id === alertId) as Alert
  const roles = new Map<string, unknown>()
  for (const dial of pack.dials) {
    const value = valueOf(dial, values)
    if (!(dial.id in exceptions) || value === valueOf(dial, taken.values)) continue
    for (const { path } of dial.bindings) {
      const own = ownForRole(path, box.look, value)
      if (own) roles.set(own.role, own.value)
    }
  }
  return roles.size === 0 ? alert : (withOwn(alert, roles) as Alert)
}

/** What stands in the place of a role that a path of the look leads to: of colours and typefaces. */
function ownForRole(path: string, look: Look, value: DialValue): { role: string; value: unknown } | null {
  const [root, group, role = '', field] = path.split('.')
  if (root !== 'look' || typeof value !== 'string') return null
  if (group === 'palette' && role in look.palette)
    return { role, value: { own: look.palette[role as keyof Look['palette']] } }
  if (group === 'type' && field === 'family' && role in look.type) {
    const { family, weight } = look.type[role as keyof Look['type']]
    return { role, value: { own: { family, weight } } }
  }
  return null
}

/** Roles of colours, types and motion have different names: what says one of them and nothing else follows it. */
function withOwn(node: unknown, roles: ReadonlyMap<string, unknown>): unknown {
  if (Array.isArray(node)) return node.map((each) => withOwn(each, roles))
  if (typeof node !== 'object' || node === null) return node
  const entries = Object.entries(node)
  const [first] = entries
  if (entries.length === 1 && first?.[0] === 'role' && roles.has(String(first[1]))) return roles.get(String(first[1]))
  return Object.fromEntries(
    entries.map(([key, value]) => [key, key === 'shadow' && isRole(value) ? value : withOwn(value, roles)]),
  )
}

/** A shadow follows a type role too, and is no typeface. */
const isRole = (value: unknown) => typeof value === 'object' && value !== null && 'role' in value

/**
 * Whether a dial can stand otherwise for single alerts: it turns something of theirs, or a colour or typeface that they
 * follow.
 */
export function canDiffer(pack: Turnable, dialId: string): boolean {
  const dial = pack.dials.find(({ id }) => id === dialId)
  return (
    dial?.bindings.some(
      ({ path }) => path.startsWith('alerts.') || ownForRole(path, pack.box.look, dial.initial) !== null,
    ) ?? false
  )
}
