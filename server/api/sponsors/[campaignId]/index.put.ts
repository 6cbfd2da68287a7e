import { defineEventHandler } from 'h3'
import { changeCampaignBody } from '../../../../contract/sponsors.ts'
import { changeCampaign } from '../../../db/queries/sponsors.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { withSponsors } from '../../../sponsors/surroundings.ts'
import { problemError } from '../../../system/problemError.ts'

/** Changes a campaign, from its next turn on. */
export default defineEventHandler(async (event) => {
  const { channelId, db, changed, view } = await withSponsors(event, 'editor')
  const { campaign, revision } = await readChecked(event, changeCampaignBody)
  const id = pathId(event, 'campaignId')
  if (!(await changeCampaign(db, channelId, { ...campaign, id }, revision)))
    throw problemError(409, 'Somebody else has changed this campaign meanwhile. It is shown as it is now.')
  changed()
  return view()
})
