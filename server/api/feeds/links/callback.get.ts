import { defineEventHandler, getRequestURL, sendRedirect } from 'h3'
import { requireMember } from '../../../auth/access.ts'
import { ownOrigin } from '../../../http/ownOrigin.ts'
import { useLinking } from '../../../feeds/port.ts'
import { useRuntime } from '../../../system/runtimePort.ts'
import { noteDeed } from '../../../channel/trail.ts'

/**
 * Where a platform sends people back to, with a code or with a refusal. Ends on the Feeds screen, which says what
 * became of it.
 */
export default defineEventHandler(async (event) => {
  const session = await requireMember(event, 'owner')
  const { channel } = session
  const { linking } = await useLinking()
  const { config, logger } = await useRuntime()
  const url = getRequestURL(event)
  try {
    const feedId = await linking.finishConsent(channel.id, url, ownOrigin(config, url), Date.now())
    if (feedId) await noteDeed(session, 'linkedFeed')
    return await sendRedirect(event, feedId ? `/feeds?linked=${feedId}` : '/feeds?link=refused', 303)
  } catch (error) {
    logger.warn({ err: error }, 'an account could not be linked')
    return sendRedirect(event, '/feeds?link=failed', 303)
  }
})
