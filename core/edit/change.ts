import { create, type Draft, type Patches } from 'mutative'
import { boxDocument, type BoxDocument } from '../composition/box.ts'
import { look } from '../look/schema.ts'
import { composition } from '../composition/schema.ts'
import { err, ok, type Result } from '../result.ts'

/** One edit of a box, with what undoes it. Patches are small JSON and travel to the server as they are. */
export interface Change {
  label: string
  /** Edits with the same key that follow each other quickly count as one (a slider being dragged). */
  mergeKey: string | null
  patches: Patches
  inverse: Patches
}

/** An edit as a recipe: it changes a draft in place. Recipes are what the files of this room export. */
export interface Edit {
  label: string
  mergeKey?: string
  recipe: (draft: Draft<BoxDocument>) => void
}

/**
 * Applies an edit and checks the result against the schema. Also the dry run: an edit that is refused changes nothing.
 * @returns the new document and its change (null where nothing was different), or why the result would not be valid.
 */
export function changeBox(
  document: BoxDocument,
  edit: Edit,
): Result<{ document: BoxDocument; change: Change | null }, string> {
  const [next, patches, inverse] = create(document, edit.recipe, { enablePatches: true })
  if (patches.length === 0) return ok({ document, change: null })
  const fault = faultOf(next, patches)
  if (fault) return err(fault)
  return ok({ document: next, change: { label: edit.label, mergeKey: edit.mergeKey ?? null, patches, inverse } })
}

/** What of a box can be checked without the rest of it. */
const partsApart = { look, packs: boxDocument.shape.packs, design: boxDocument.shape.design }
const isApart = (root: string): root is keyof typeof partsApart => Object.hasOwn(partsApart, root)

/**
 * Why an edited document is not valid; null when it is. It was valid before: where all changes lie inside the look, the
 * packs or compositions only those are checked, because a box holds dozens of them and a drag changes one sixty times a
 * second.
 */
function faultOf(next: BoxDocument, patches: Patches): string | null {
  const touched = new Set<string>()
  const apart = new Set<keyof typeof partsApart>()
  for (const { path } of patches) {
    const root = String(path[0])
    if (isApart(root)) {
      apart.add(root)
      continue
    }
    const [alerts, alert, variations, variation, field] = path
    if (alerts !== 'alerts' || variations !== 'variations' || field !== 'composition')
      return wordsOf(boxDocument.safeParse(next).error, [])
    touched.add(`${alert}/${variation}`)
  }
  for (const part of apart) {
    const fault = wordsOf(partsApart[part].safeParse(next[part]).error, [part])
    if (fault) return fault
  }
  for (const each of touched) {
    const [alert = 0, variation = 0] = each.split('/').map(Number)
    const fault = wordsOf(composition.safeParse(next.alerts[alert]?.variations[variation]?.composition).error, [
      next.alerts[alert]?.id ?? '',
      next.alerts[alert]?.variations[variation]?.id ?? '',
    ])
    if (fault) return fault
  }
  return null
}

function wordsOf(
  error: { issues: readonly { path: PropertyKey[]; message: string }[] } | undefined,
  prefix: readonly string[],
): string | null {
  const issue = error?.issues[0]
  return issue ? `${[...prefix, ...issue.path.map(String)].join(' › ')}: ${issue.message}` : null
}
