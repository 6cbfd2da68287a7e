import { defineEventHandler } from 'h3'
import type { WhyView } from '../../../../../../contract/views.ts'
import { requireBox } from '../../../../../auth/access.ts'
import { findDecisionOfPlay } from '../../../../../db/queries/events.ts'
import { pathId } from '../../../../../http/pathId.ts'
import { problemError } from '../../../../../system/problemError.ts'
import { useServices } from '../../../../../system/services.ts'

/** Why a play is what it is, as it was decided when its event came. */
export default defineEventHandler(async (event): Promise<WhyView> => {
  const { box } = await requireBox(event, pathId(event, 'boxId'), 'moderator')
  const { database } = await useServices()
  const decision = await findDecisionOfPlay(database.db, box.id, pathId(event, 'playId'))
  if (!decision) throw problemError(404, 'Nothing was decided for this play: it is a replay, or it is gone.')
  return decision
})
