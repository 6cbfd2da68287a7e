import { defineEventHandler, setResponseStatus } from 'h3'
import { issuesOf } from '../../../contract/issuesOf.ts'
import { newCampaignBody } from '../../../contract/sponsors.ts'
import { campaign as campaignSchema } from '../../../core/campaign/schema.ts'
import { addCampaign, listCampaigns } from '../../db/queries/sponsors.ts'
import { readChecked } from '../../http/readChecked.ts'
import { newGoCode } from '../../sponsors/goCode.ts'
import { withSponsors } from '../../sponsors/surroundings.ts'
import { newId } from '../../system/ids.ts'
import { problemError } from '../../system/problemError.ts'

const campaignsMax = 100

/** Makes a campaign; it gets an id and a short address of its own. */
export default defineEventHandler(async (event) => {
  const { channelId, db, changed, view } = await withSponsors(event, 'editor')
  const { campaign } = await readChecked(event, newCampaignBody)
  const checked = campaignSchema.safeParse({ ...campaign, id: newId('campaign') })
  if (!checked.success)
    throw problemError(422, checked.error.issues[0]?.message ?? 'This is no campaign.', issuesOf(checked.error))
  if ((await listCampaigns(db, channelId)).length >= campaignsMax)
    throw problemError(409, `A channel has at most ${campaignsMax} campaigns. Put one away first.`)
  await addCampaign(db, channelId, checked.data, newGoCode())
  changed()
  setResponseStatus(event, 201)
  return { id: checked.data.id, view: await view() }
})
