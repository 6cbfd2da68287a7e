import { defineEventHandler, getRequestURL } from 'h3'
import { simulationBody } from '../../../../contract/simulation.ts'
import { requireMember } from '../../../auth/access.ts'
import { simulate } from '../../../feeds/simulate.ts'
import { pathId } from '../../../http/pathId.ts'
import { ownOrigin } from '../../../http/ownOrigin.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { problemError } from '../../../system/problemError.ts'
import { requireStandIns } from '../../../standIns/requireStandIns.ts'
import { useChannels } from '../../../channel/port.ts'
import { useRuntime } from '../../../system/runtimePort.ts'

/**
 * Lets the simulated platform of a feed send something, in its own shape, signed, over the very route that real ones
 * use.
 */
export default defineEventHandler(async (event) => {
  const { channel } = await requireMember(event, 'editor')
  const asked = await readChecked(event, simulationBody)
  await requireStandIns()
  const { feeds } = await useChannels()
  const { config } = await useRuntime()
  const feed = await feeds.find(pathId(event, 'feedId'))
  if (!feed || feed.channelId !== channel.id) throw problemError(404, 'There is no such feed in this channel.')
  return simulate(feed, asked, ownOrigin(config, getRequestURL(event)), Date.now())
})
