import { defineEventHandler, setResponseStatus } from 'h3'
import { publishBody } from '../../../../contract/bodies.ts'
import { requireBox } from '../../../auth/access.ts'
import { boxView } from '../../../boxes/boxViews.ts'
import { findBox, publishDraft } from '../../../db/queries/boxes.ts'
import { pathId } from '../../../http/pathId.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { newId } from '../../../system/ids.ts'
import { problemError } from '../../../system/problemError.ts'
import { useChannels } from '../../../channel/port.ts'
import { useScreens } from '../../../live/port.ts'
import { useDatabase } from '../../../db/port.ts'
import { useLines } from '../../../queue/port.ts'
import { useVoices } from '../../../speech/port.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** Puts the draft on air, if it is still the one that the person saw. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'editor')
  const { revision } = await readChecked(event, publishBody)
  const { database } = await useDatabase()
  const { onAir } = await useChannels()
  const { stream } = await useScreens()
  const { wakeVoices } = await useVoices()
  const { lines } = await useLines()
  const version = { id: newId('version'), boxId: box.id, publishedAt: new Date(), publishedBy: session.person.id }
  if (!(await publishDraft(database.db, version, revision)))
    throw problemError(
      409,
      'The draft was changed since you looked at the list. Load the box again and check what goes on air.',
    )
  onAir.forget(session.channel.id)
  // What comes from now on is shown by what is on air now.
  await lines.actNow(box.id, { do: 'takePolicy' })
  wakeVoices(session.channel.id)
  stream.changed(session.channel.id)
  await noteDeed(session, 'putOnAir', box.name)
  const now = await findBox(database.db, session.channel.id, box.id)
  setResponseStatus(event, 201)
  return boxView(database.db, now ?? box)
})
