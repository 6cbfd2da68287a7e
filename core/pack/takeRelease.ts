import { boxDocument, mainKind, type Alert, type BoxDocument } from '../composition/box.ts'
import { mergeJson, type Json } from '../edit/mergeJson.ts'
import { kindNames } from '../events/kindNames.ts'
import { err, ok, type Result } from '../result.ts'
import { faultOfValue, type Dial, type DialValue } from './dial.ts'
import type { Manifest } from './manifest.ts'
import { standingOf, type Standing } from './standing.ts'
import { entryFor } from './takePack.ts'
import type { TakenPack } from './takenPack.ts'

/** Something that a person and the new release changed differently. */
export interface ReleaseConflict {
  /** The names and ids that lead to it. */
  path: string[]
  /** Undefined: it is not there (any more). */
  mine: unknown
  theirs: unknown
}

export interface TakenRelease {
  document: BoxDocument
  conflicts: ReleaseConflict[]
  /** What else is worth knowing, in sentences. */
  notes: string[]
}

export const conflictKey = ({ path }: Pick<ReleaseConflict, 'path'>): string => path.join('.')

/**
 * A box with another release of a pack in the place of the one that it has, by a three-way merge: what only the
 * designer changed is taken, what only the person changed stays, dials stand as they did where the new release still
 * has them.
 * @param takes the keys of conflicts in which the release is taken; in all others the person's stands
 * @returns why it cannot be: what comes out would be no valid box
 */
export function takeRelease(
  document: BoxDocument,
  before: Manifest,
  after: Manifest,
  shelfId: string,
  takes: ReadonlySet<string>,
): Result<TakenRelease, string> {
  const entry = document.packs.find(({ id }) => id === before.id)
  if (!entry) return err('The box does not have this pack.')
  const notes: string[] = []
  const next = entryOfRelease(document, entry, after, shelfId, notes)
  const conflicts: ReleaseConflict[] = []
  const present = new Set(document.alerts.map(({ id }) => id))
  const known = new Set(Object.values(entry.alerts))
  // What a person took away stays away, and is no news.
  const stays = ({ id }: Alert) => present.has(id) || !known.has(id)
  const [base, theirs] = [standingOf(before, entry, document.canvas), standingOf(after, next, document.canvas)].map(
    (each): Standing => ({ ...each, alerts: each.alerts.filter(stays) }),
  )
  const mine: Standing = {
    alerts: document.alerts.filter(({ id }) => known.has(id)),
    ...(entry.wearsLook ? { look: document.look, seasons: document.seasons } : {}),
  }
  const { value } = mergeJson(
    base as unknown as Json,
    theirs as unknown as Json,
    mine as unknown as Json,
    ({ path, mine, theirs }) => {
      conflicts.push({ path, mine, theirs })
      return takes.has(path.join('.')) ? 'theirs' : 'mine'
    },
  )
  const merged = value as unknown as Standing
  const goes = base?.alerts.filter(({ id }) => !merged.alerts.some((each) => each.id === id)) ?? []
  for (const alert of goes) notes.push(`${kindNames[mainKind(alert)]} is not in it any more, and goes.`)
  const checked = boxDocument.safeParse(put(document, merged, next, known))
  const issue = checked.error?.issues[0]
  return issue
    ? err(`${issue.path.map(String).join(' › ')}: ${issue.message}`)
    : ok({ document: checked.data as BoxDocument, conflicts, notes })
}

/** The box with its pack's alerts as merged, where they stood; new ones at the end. */
function put(document: BoxDocument, merged: Standing, entry: TakenPack, known: ReadonlySet<string>): BoxDocument {
  const byId = new Map(merged.alerts.map((alert) => [alert.id, alert]))
  const kept = document.alerts.flatMap((alert) => (known.has(alert.id) ? (byId.get(alert.id) ?? []) : [alert]))
  const here = new Set(document.alerts.map(({ id }) => id))
  return {
    ...document,
    look: merged.look ?? document.look,
    seasons: merged.seasons ?? document.seasons,
    alerts: [...kept, ...merged.alerts.filter(({ id }) => !here.has(id))],
    packs: document.packs.map((each) => (each.id === entry.id ? entry : each)),
  }
}

/**
 * The pack as the box has it with the new release: its dials as they stand, and those of its new alerts whose kinds
 * nobody hears yet.
 */
function entryOfRelease(
  document: BoxDocument,
  entry: TakenPack,
  after: Manifest,
  shelfId: string,
  notes: string[],
): TakenPack {
  const heard = new Set(document.alerts.flatMap(({ kinds }) => kinds))
  const added = after.box.alerts.filter(({ id }) => !(id in entry.alerts))
  const free = added.filter(({ kinds }) => kinds.every((kind) => !heard.has(kind)))
  for (const { kinds } of added)
    notes.push(
      free.some((each) => each.kinds === kinds)
        ? `New in it: ${kindNames[mainKind({ kinds })]}.`
        : `It has an alert for ${kindNames[mainKind({ kinds })]} too; yours stays.`,
    )
  const fresh = entryFor(after, shelfId, document, { alertIds: free.map(({ id }) => id), wearsLook: entry.wearsLook })
  const still = Object.fromEntries(
    Object.entries(entry.alerts).filter(([id]) => after.box.alerts.some((each) => each.id === id)),
  )
  const gone = Object.keys(entry.values).filter((id) => !fits(after.dials, id, entry.values[id] as DialValue))
  if (gone.length > 0)
    notes.push(
      `${gone.length === 1 ? 'A dial that you had turned is' : `${gone.length} dials that you had turned are`} not in it any more: what ${gone.length === 1 ? 'it' : 'they'} made is as the designer has it now.`,
    )
  const kept = (values: Record<string, DialValue>) =>
    Object.fromEntries(Object.entries(values).filter(([id, value]) => fits(after.dials, id, value)))
  const exceptions = Object.fromEntries(
    Object.entries(entry.exceptions)
      .map(([id, values]) => [id, kept(values)] as const)
      .filter(([, values]) => Object.keys(values).length > 0),
  )
  return { ...fresh, alerts: { ...still, ...fresh.alerts }, values: kept(entry.values), exceptions, own: entry.own }
}

function fits(dials: readonly Dial[], id: string, value: DialValue): boolean {
  const dial = dials.find((each) => each.id === id)
  return dial !== undefined && faultOfValue(dial, value) === null
}
