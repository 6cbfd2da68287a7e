import { defineEventHandler } from 'h3'
import type { BoxDocument } from '../../../../../core/composition/box.ts'
import { requireBox } from '../../../../auth/access.ts'
import { findVersion } from '../../../../db/queries/boxes.ts'
import { pathId } from '../../../../http/pathId.ts'
import { problemError } from '../../../../system/problemError.ts'
import { useDatabase } from '../../../../db/port.ts'

/** One version as it was put on air, brought to the form of today. */
export default defineEventHandler(async (event): Promise<{ number: number; document: BoxDocument }> => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  const { database } = await useDatabase()
  const version = await findVersion(database.db, pathId(event, 'versionId'))
  if (!version || version.boxId !== box.id) throw problemError(404, 'This box has no such version.')
  return { number: version.number, document: version.document }
})
