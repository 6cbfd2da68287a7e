import { mainKind, type Alert, type BoxDocument } from '../composition/box.ts'
import { copyOf } from '../copyOf.ts'
import type { Edit } from '../edit/change.ts'
import { freeId } from '../edit/freeId.ts'
import type { EventKind } from '../events/kinds.ts'
import type { Manifest } from './manifest.ts'
import { standingOf } from './standing.ts'
import type { TakenPack } from './takenPack.ts'

/** What of a pack a box takes. */
export interface PackChoice {
  /** Its alerts by their ids in the pack. */
  alertIds: readonly string[]
  wearsLook: boolean
}

/** The kinds of an alert of a pack that a box has alerts for. */
export function takenKinds({ alerts }: BoxDocument, { kinds }: Pick<Alert, 'kinds'>): EventKind[] {
  return kinds.filter((kind) => alerts.some((each) => each.kinds.includes(kind)))
}

/** All of a pack, as the first of an empty box. */
export const allOf = ({ box }: Pick<Manifest, 'box'>): PackChoice => ({
  alertIds: box.alerts.map(({ id }) => id),
  wearsLook: true,
})

/** A pack as a box has it before anybody turned a dial. Alerts whose name is taken get another. */
export function entryFor(
  pack: Manifest,
  shelfId: string,
  document: Pick<BoxDocument, 'alerts'>,
  { alertIds, wearsLook }: PackChoice,
): TakenPack {
  const used = new Set(document.alerts.flatMap(({ id, variations }) => [id, ...variations.map((each) => each.id)]))
  const alerts: Record<string, string> = {}
  for (const { id, variations } of pack.box.alerts) {
    if (!alertIds.includes(id)) continue
    // A case is named with its alert's ending, and its name must be free too.
    const isFree = (ending: string) =>
      !used.has(`${id}${ending}`) && variations.every((each) => !used.has(`${each.id}${ending}`))
    let ending = ''
    for (let number = 2; !isFree(ending); number++) ending = `-${number}`
    alerts[id] = `${id}${ending}`
    used.add(`${id}${ending}`)
    for (const each of variations) used.add(`${each.id}${ending}`)
  }
  return {
    id: pack.id,
    shelfId,
    release: pack.release,
    name: pack.name,
    alerts,
    wearsLook,
    values: {},
    exceptions: {},
    own: [],
  }
}

/**
 * Gives a box alerts of a pack, and its look where that is wanted. Alerts that heard the same kinds hear them no more;
 * what then hears nothing goes.
 */
export function takePack(pack: Manifest, shelfId: string, choice: PackChoice): Edit {
  return {
    label: `take ${pack.name}`,
    recipe: (draft) => {
      if (draft.packs.some(({ id }) => id === pack.id)) return
      const chosen = pack.box.alerts.filter(({ id }) => choice.alertIds.includes(id))
      const heard = new Set(chosen.flatMap(({ kinds }) => kinds))
      for (const alert of draft.alerts) alert.kinds = alert.kinds.filter((kind) => !heard.has(kind))
      draft.alerts = draft.alerts.filter(({ kinds }) => kinds.length > 0)
      const entry = entryFor(pack, shelfId, copyOf(draft), choice)
      const standing = copyOf(standingOf(pack, entry, draft.canvas))
      draft.packs.push(entry)
      draft.alerts.push(...standing.alerts)
      if (standing.look) draft.look = standing.look
      if (!standing.seasons) return
      for (const other of draft.packs) other.wearsLook = other.id === pack.id
      const seasons = new Set(draft.seasons.map(({ id }) => id))
      draft.seasons.push(...standing.seasons.map((season) => ({ ...season, id: freeId(season.id, seasons) })))
    },
  }
}

/** Takes a pack out of a box: its alerts and dials go. The look stays as it is, and is the box's own from then on. */
export function removePack(packId: string): Edit {
  return {
    label: 'remove a pack',
    recipe: (draft) => {
      const entry = draft.packs.find(({ id }) => id === packId)
      if (!entry) return
      const gone = new Set(Object.values(entry.alerts))
      draft.alerts = draft.alerts.filter(({ id }) => !gone.has(id))
      draft.packs = draft.packs.filter(({ id }) => id !== packId)
    },
  }
}

/** Lets go of a pack's dials: its alerts stay, and are the box's own from then on. */
export function letGoOfPack(packId: string): Edit {
  return {
    label: 'let go of a pack',
    recipe: (draft) => void (draft.packs = draft.packs.filter(({ id }) => id !== packId)),
  }
}

/** What goes with a pack: alerts that are still there, by their main kind. */
export function goesWith(document: BoxDocument, packId: string): { alert: Alert; kind: EventKind }[] {
  const ids = new Set(Object.values(document.packs.find(({ id }) => id === packId)?.alerts ?? {}))
  return document.alerts.filter(({ id }) => ids.has(id)).map((alert) => ({ alert, kind: mainKind(alert) }))
}
