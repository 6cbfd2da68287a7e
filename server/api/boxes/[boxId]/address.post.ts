import { defineEventHandler, getRequestURL, setResponseHeader } from 'h3'
import { closedAddressReplaced } from '../../../../contract/sourceLimits.ts'
import { newAddress, pathOfSource } from '../../../boxes/createBox.ts'
import { requireBox } from '../../../auth/access.ts'
import { setSourceToken } from '../../../db/queries/boxes.ts'
import { pathId } from '../../../http/pathId.ts'
import { useDatabase } from '../../../db/port.ts'
import { useSources } from '../../../realtime/port.ts'
import { noteDeed } from '../../../channel/trail.ts'

/** Replaces a leaked address: the old one refuses from now on, and sources that use it are cut off at once. */
export default defineEventHandler(async (event) => {
  const { box, session } = await requireBox(event, pathId(event, 'boxId'), 'owner')
  const { database } = await useDatabase()
  const { closeSources } = await useSources()
  const token = newAddress(box.isBoard)
  await setSourceToken(database.db, box.id, token)
  closeSources(box.id, closedAddressReplaced, 'address replaced')
  await noteDeed(session, 'replacedAddress', box.name)
  setResponseHeader(event, 'cache-control', 'no-store')
  return { url: `${getRequestURL(event).origin}${pathOfSource({ ...box, sourceToken: token })}` }
})
