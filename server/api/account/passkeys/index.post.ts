import { verifyRegistrationResponse, type RegistrationResponseJSON } from '@simplewebauthn/server'
import { defineEventHandler, setResponseStatus } from 'h3'
import { passkeyBody } from '../../../../contract/passkeys.ts'
import type { AccountView } from '../../../../contract/people.ts'
import { siteOf, takeQuestion } from '../../../auth/passkeys.ts'
import { useSignIn } from '../../../auth/port.ts'
import { addPasskey, findPasskey, listPasskeys } from '../../../db/queries/passkeys.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { accountView } from '../../../people/account.ts'
import { withPeople } from '../../../people/surroundings.ts'
import { problemError } from '../../../system/problemError.ts'

const most = 20

/** Keeps the public half of a key that a device has made. */
export default defineEventHandler(async (event): Promise<AccountView> => {
  const { db, session, sessionId } = await withPeople(event, 'desk')
  const { name, answer } = await readChecked(event, passkeyBody)
  const { secret } = await useSignIn()
  if ((await listPasskeys(db, session.person.id)).length >= most)
    throw problemError(409, `One account has at most ${most} passkeys. Take one away first.`)
  const { rpID, origin } = siteOf(event)
  const expectedChallenge = await takeQuestion(event, secret)
  const refused = () => problemError(422, 'The device’s answer does not fit what was asked. Begin again.')
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    ...{
      response: answer as unknown as RegistrationResponseJSON,
      expectedChallenge,
      expectedRPID: rpID,
      expectedOrigin: origin,
    },
  }).catch(() => {
    throw refused()
  })
  if (!verified) throw refused()
  const { id, publicKey, counter, transports = [] } = registrationInfo.credential
  if (await findPasskey(db, id)) throw problemError(409, 'This passkey is known already.')
  await addPasskey(db, {
    ...{ id, personId: session.person.id, name, counter, transports, madeAt: new Date() },
    publicKey: Buffer.from(publicKey).toString('base64url'),
  })
  setResponseStatus(event, 201)
  return accountView(db, session, sessionId)
})
