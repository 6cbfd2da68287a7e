import { defineEventHandler } from 'h3'
import { removeCampaignBody } from '../../../../contract/sponsors.ts'
import { setCampaignRemoved } from '../../../db/queries/sponsors.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { withSponsors } from '../../../sponsors/surroundings.ts'
import { problemError } from '../../../system/problemError.ts'

/** Puts a campaign away, or takes it back from there; what came of it stays. */
export default defineEventHandler(async (event) => {
  const { channelId, db, changed, view, nowMs } = await withSponsors(event, 'editor')
  const { isRemoved } = await readChecked(event, removeCampaignBody)
  if (!(await setCampaignRemoved(db, channelId, pathId(event, 'campaignId'), isRemoved ? new Date(nowMs) : null)))
    throw problemError(404, 'There is no such campaign in this channel.')
  changed()
  return view()
})
