import { defineEventHandler, setResponseHeader, setResponseStatus } from 'h3'
import { keyBody, keysMost, type MadeKey } from '../../../contract/keys.ts'
import { requireMember } from '../../auth/access.ts'
import { hashApiKey, hintOf, keyView, newApiKey } from '../../auth/keys.ts'
import { noteDeed } from '../../channel/trail.ts'
import { useDatabase } from '../../db/port.ts'
import { addApiKey, countKeys } from '../../db/queries/keys.ts'
import { readChecked } from '../../http/readChecked.ts'
import { problemError } from '../../system/problemError.ts'

/** Makes a key for a program. It is told once: only its hash is kept. */
export default defineEventHandler(async (event): Promise<MadeKey> => {
  const session = await requireMember(event, 'owner')
  const { channel, person } = session
  const body = await readChecked(event, keyBody)
  const { database } = await useDatabase()
  if ((await countKeys(database.db, channel.id)) >= keysMost)
    throw problemError(409, `A channel has at most ${keysMost} keys. End one that is not used any more first.`)
  const secret = newApiKey()
  const row = await addApiKey(database.db, {
    ...{ ...body, hash: hashApiKey(secret), hint: hintOf(secret), channelId: channel.id },
    ...{ madeByName: person.name, madeAt: new Date() },
  })
  await noteDeed(session, 'madeKey', row.name, row.scopes.join(', '))
  setResponseHeader(event, 'cache-control', 'no-store')
  setResponseStatus(event, 201)
  return { key: keyView(row), secret }
})
