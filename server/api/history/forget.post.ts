import { defineEventHandler } from 'h3'
import { forgetBody, type ForgottenView } from '../../../contract/keeping.ts'
import { requireMember } from '../../auth/access.ts'
import { noteDeed } from '../../channel/trail.ts'
import { useDatabase } from '../../db/port.ts'
import { useIngest } from '../../ingest/port.ts'
import { readChecked } from '../../http/readChecked.ts'
import { forgetEverywhere } from '../../keeping/forgetViewer.ts'
import { useScreens } from '../../live/port.ts'
import { useVoices } from '../../speech/port.ts'

/** Forgets one viewer: their name, words and recordings go, for good; what they gave stays in the sums. */
export default defineEventHandler(async (event): Promise<ForgottenView> => {
  const session = await requireMember(event, 'owner')
  const about = await readChecked(event, forgetBody)
  const [{ database }, { speaker }, { stream }] = await Promise.all([useDatabase(), useVoices(), useScreens()])
  const done = await forgetEverywhere(database.db, speaker.cache, session.channel.id, about)
  const { ingest } = await useIngest()
  ingest.forgetHeard(about.source)
  stream.changed(session.channel.id)
  await noteDeed(session, 'forgotViewer', '', `${done.events} events`)
  return done
})
