import { defineEventHandler } from 'h3'
import type { Patches } from 'mutative'
import { issuesOf } from '../../../../contract/issuesOf.ts'
import { saveDraftBody } from '../../../../contract/bodies.ts'
import { maxDraftBytes } from '../../../../contract/draftLimits.ts'
import { boxDocument } from '../../../../core/composition/box.ts'
import { applyPatches } from '../../../../core/edit/applyPatches.ts'
import { requireBox } from '../../../auth/access.ts'
import { saveDraft, type BoxRow } from '../../../db/queries/boxes.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { problemError } from '../../../system/problemError.ts'
import { useScreens } from '../../../live/port.ts'
import { useDatabase } from '../../../db/port.ts'

/** Saves edits of a draft. Refused when somebody else saved since `baseRevision`: nothing is overwritten silently. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  const { baseRevision, patches } = await readChecked(event, saveDraftBody, maxDraftBytes)
  const { database } = await useDatabase()
  const { stream } = await useScreens()
  const conflict = () =>
    problemError(
      409,
      'Somebody else changed this box since you opened it. Load it again to see their changes; yours are still on your screen.',
    )
  if (baseRevision !== box.draftRevision) throw conflict()
  const draft = patched(box, patches as Patches)
  if (!(await saveDraft(database.db, box.id, baseRevision, draft))) throw conflict()
  stream.changed(session.channel.id, 'drafts')
  return { revision: baseRevision + 1 }
})

function patched(box: BoxRow, patches: Patches) {
  let next: unknown
  try {
    next = applyPatches(box.draft, patches)
  } catch {
    throw problemError(422, 'These edits do not fit the draft. Load the box again.')
  }
  const checked = boxDocument.safeParse(next)
  if (!checked.success)
    throw problemError(422, 'The edited box would not be valid; nothing was saved.', issuesOf(checked.error))
  return checked.data
}
