import { defineEventHandler, getRequestURL, setResponseStatus } from 'h3'
import { linkBody, type LinkingBegun } from '../../../../contract/linking.ts'
import { requireMember } from '../../../auth/access.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { requireStandIns } from '../../../standIns/requireStandIns.ts'
import { useLinking } from '../../../feeds/port.ts'

/** Begins to link an account: with the address where its owner consents, or with a code for its chat. */
export default defineEventHandler(async (event): Promise<LinkingBegun> => {
  const { channel } = await requireMember(event, 'owner')
  const { platform, way } = await readChecked(event, linkBody)
  await requireStandIns()
  const { linking } = await useLinking()
  const { origin } = getRequestURL(event)
  setResponseStatus(event, 201)
  if (way === 'consent') return { way, url: await linking.beginConsent(channel.id, platform, origin, Date.now()) }
  return {
    way,
    ...(await linking.beginCode(channel.id, platform, Date.now())),
    chatUrl: `${origin}/stand-ins/${platform}/chat`,
  }
})
