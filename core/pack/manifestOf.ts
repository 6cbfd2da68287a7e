import type { BoxDocument } from '../composition/box.ts'
import { freeId } from '../edit/freeId.ts'
import { handedOnPolicy } from '../queue/policy.ts'
import type { Trigger } from '../triggers/schema.ts'
import { placesOf } from './places.ts'
import { plainDesign } from './designEdits.ts'
import type { Dial } from './dial.ts'
import { versionOf, type Manifest, type PackedMedia } from './manifest.ts'
import { calledPath } from './standing.ts'
import { valueOf } from './turnDials.ts'

/**
 * A box as a pack. What its designer says of it; else, where it was made of one pack, what that says: a pack that
 * nobody changed comes out as it went in. Dials of packs that it has taken are handed on, standing as they do now.
 * @param packs what the box has taken, by their shelf ids
 * @param triggers what goes along, as packs carry it
 */
export function manifestOf(
  document: BoxDocument,
  name: string,
  author: string,
  media: PackedMedia[],
  packs: ReadonlyMap<string, Manifest>,
  triggers: readonly Trigger[] = [],
): Manifest {
  const { packs: taken, design, ...rest } = document
  const [only] = taken.length === 1 ? taken : []
  const origin = only && only.wearsLook ? packs.get(only.shelfId) : undefined
  const head = design ?? origin ?? plainDesign(name, author)
  const isUntouched = design === null && origin !== undefined
  const used = new Set(design?.dials.map(({ id }) => id))
  const dials = [
    ...(design?.dials ?? []),
    ...taken.flatMap((entry) => handedOn(document, entry, packs.get(entry.shelfId), taken.length === 1, used)),
  ]
  const { id, release, author: by, licence, about } = head
  const along = triggers.length > 0 ? { triggers: [...triggers] } : {}
  return {
    format: 'thundercrest.pack',
    version: versionOf(along),
    id,
    release,
    author: by,
    licence,
    about,
    name: isUntouched ? origin.name : name,
    box: { ...rest, policy: handedOnPolicy(rest.policy), packs: [], design: null },
    media,
    dials,
    ...along,
  }
}

function handedOn(
  document: BoxDocument,
  entry: BoxDocument['packs'][number],
  pack: Manifest | undefined,
  isAlone: boolean,
  used: Set<string>,
): Dial[] {
  const ofPack = new Set(Object.values(entry.alerts))
  const isAll = isAlone && document.alerts.every(({ id }) => ofPack.has(id))
  return (pack?.dials ?? []).flatMap((dial) => {
    const bindings = dial.bindings.flatMap(({ path, transform }) => {
      if (path.startsWith('look.')) return entry.wearsLook ? [{ path, transform }] : []
      // A star meant the pack's alerts; beside others it would reach those too.
      const paths =
        path.startsWith('alerts.*') && !isAll
          ? [...ofPack].map((id) => path.replace('*', id))
          : [calledPath(path, entry)]
      return paths.flatMap((each) =>
        each !== null && placesOf(document, each).length > 0 ? [{ path: each, transform }] : [],
      )
    })
    if (bindings.length === 0) return []
    const id = freeId(dial.id, used)
    used.add(id)
    return [{ ...dial, id, bindings, initial: valueOf(dial, entry.values) } as Dial]
  })
}
