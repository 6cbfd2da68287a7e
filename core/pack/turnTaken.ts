import type { Draft } from 'mutative'
import type { BoxDocument } from '../composition/box.ts'
import { copyOf } from '../copyOf.ts'
import type { Edit } from '../edit/change.ts'
import { isSame } from '../isSame.ts'
import { changedPlaces } from './changedPlaces.ts'
import type { DialValue } from './dial.ts'
import { placesOf, readAt, writeAt } from './places.ts'
import { calledPath, standingOf, type Standing } from './standing.ts'
import type { TakenPack } from './takenPack.ts'
import type { Turnable } from './turnDials.ts'

const entryOf = (document: Pick<BoxDocument, 'packs'>, packId: string) => document.packs.find(({ id }) => id === packId)

/** Where a standing and a box differ, place by place; of seasons only those that the pack brought. */
const placesChanged = (before: Standing, after: Standing) => [
  ...changedPlaces(before.alerts, after.alerts, 'alerts'),
  ...(before.look && after.look ? changedPlaces(before.look, after.look, 'look') : []),
  ...(before.seasons && after.seasons ? changedPlaces(before.seasons, after.seasons, 'seasons') : []),
]

/**
 * Writes what the dials make otherwise than they did into a box. What a person had changed by hand stays, and is
 * remembered: also where a dial happens to pass through the very value.
 */
function writeThrough(draft: Draft<BoxDocument>, entry: TakenPack, before: Standing, after: Standing): void {
  const own = new Set(entry.own)
  for (const { path, before: was, after: is } of placesChanged(before, after)) {
    const [place] = placesOf(draft, path)
    if (!place || own.has(path)) continue
    if (isSame(readAt(draft, place), was)) writeAt(draft, place, copyOf(is))
    else own.add(path)
  }
  if (own.size > entry.own.length) entry.own = [...own]
}

/** A record without one key where the value is undefined, else with it. */
function put<T>(record: Record<string, T>, key: string, value: T | undefined): void {
  if (value === undefined) delete record[key]
  else record[key] = value
}

/**
 * Turns a dial of a pack that a box has taken: for all of it, or for one alert.
 * @param value null: as the designer set it; for an alert, as the whole pack has it
 * @param alertId null: the whole pack
 */
export function turnTaken(
  pack: Turnable,
  packId: string,
  dialId: string,
  value: DialValue | null,
  alertId: string | null,
): Edit {
  const dial = pack.dials.find(({ id }) => id === dialId)
  return {
    label: `${dial?.label ?? 'a dial'} of ${packId}`,
    mergeKey: `dial/${packId}/${dialId}/${alertId ?? ''}`,
    recipe: (draft) => {
      const entry = entryOf(draft, packId)
      if (!entry || !dial) return
      const before = standingOf(pack, copyOf(entry), draft.canvas)
      if (alertId === null) put(entry.values, dialId, value === null || value === dial.initial ? undefined : value)
      else {
        const exceptions = { ...entry.exceptions[alertId] }
        put(exceptions, dialId, value ?? undefined)
        put(entry.exceptions, alertId, Object.keys(exceptions).length > 0 ? exceptions : undefined)
      }
      writeThrough(draft, entry, before, standingOf(pack, copyOf(entry), draft.canvas))
    },
  }
}

/**
 * Places of a box that a dial would turn, had they not been changed by hand.
 * @param stands what the pack gives the box: whoever asks for many dials makes it once
 */
export function ownPlaces(
  pack: Turnable,
  document: BoxDocument,
  packId: string,
  dialId: string,
  stands?: Standing,
): string[] {
  const entry = entryOf(document, packId)
  if (!entry) return []
  const standing = { ...document, ...(stands ?? standingOf(pack, entry, document.canvas)) }
  const own = new Set(entry.own)
  return boundPaths(pack, entry, dialId).flatMap((path) =>
    placesOf(standing, path).flatMap((place) => {
      const exact = exactPath(standing, place)
      const [here] = placesOf(document, exact)
      return here && (own.has(exact) || !isSame(readAt(document, here), readAt(standing, place))) ? [exact] : []
    }),
  )
}

function boundPaths(pack: Turnable, entry: TakenPack, dialId: string): string[] {
  const dial = pack.dials.find(({ id }) => id === dialId)
  return (dial?.bindings ?? []).flatMap(({ path }) =>
    path.startsWith('look.') && !entry.wearsLook ? [] : (calledPath(path, entry) ?? []),
  )
}

/** A place by names and ids: lists are walked by the ids of their members. */
function exactPath(document: object, place: readonly (string | number)[]): string {
  return place
    .map((key, index) =>
      typeof key === 'number' ? String((readAt(document, place.slice(0, index + 1)) as { id: string }).id) : key,
    )
    .join('.')
}

/** Gives places that were changed by hand back to a dial. */
export function giveBack(pack: Turnable, packId: string, dialId: string): Edit {
  return {
    label: 'back to the dial',
    recipe: (draft) => {
      const entry = entryOf(draft, packId)
      if (!entry) return
      const standing = standingOf(pack, copyOf(entry), draft.canvas)
      for (const path of ownPlaces(pack, copyOf(draft) as BoxDocument, packId, dialId, standing)) {
        const [[here], [there]] = [placesOf(draft, path), placesOf(standing, path)]
        if (here && there) writeAt(draft, here, copyOf(readAt(standing, there)))
        entry.own = entry.own.filter((each) => each !== path)
      }
    },
  }
}

/**
 * What of a pack's alerts was changed by hand: how many values, by the alerts' ids in the box. Parts and cases that
 * came or went count as one each.
 */
export function handChanges(pack: Turnable, document: BoxDocument, packId: string): Record<string, number> {
  const entry = entryOf(document, packId)
  if (!entry) return {}
  return Object.fromEntries(
    standingOf(pack, entry, document.canvas).alerts.flatMap((alert) => {
      const here = document.alerts.find(({ id }) => id === alert.id)
      return here ? [[alert.id, changedPlaces(alert, here).length + membersChanged(alert, here)]] : []
    }),
  )
}

function membersChanged(before: BoxDocument['alerts'][number], after: BoxDocument['alerts'][number]): number {
  const names = (alert: BoxDocument['alerts'][number]) =>
    new Set(
      alert.variations.flatMap(({ id, composition }) => [id, ...composition.parts.map((part) => `${id}/${part.id}`)]),
    )
  const [was, is] = [names(before), names(after)]
  return [...was].filter((name) => !is.has(name)).length + [...is].filter((name) => !was.has(name)).length
}
