import { verifyAuthenticationResponse, type AuthenticationResponseJSON } from '@simplewebauthn/server'
import { defineEventHandler, setResponseStatus } from 'h3'
import { passkeySignInBody } from '../../../contract/passkeys.ts'
import { siteOf, takeQuestion } from '../../auth/passkeys.ts'
import { useSignIn } from '../../auth/port.ts'
import { requireAnyChannel } from '../../auth/requireAnyChannel.ts'
import { startSession } from '../../auth/startSession.ts'
import { useDatabase } from '../../db/port.ts'
import { findPasskey, notePasskeyUse } from '../../db/queries/passkeys.ts'
import { callerOf } from '../../http/caller.ts'
import { readChecked } from '../../http/readChecked.ts'
import { problemError } from '../../system/problemError.ts'

/** Signs in with a passkey. */
export default defineEventHandler(async (event) => {
  const { answer } = await readChecked(event, passkeySignInBody)
  const { database } = await useDatabase()
  const { secret, signInLimits } = await useSignIn()
  const tried = { email: 'a passkey', address: callerOf(event).address, browserId: null }
  await signInLimits.count(tried)
  const { rpID, origin } = siteOf(event)
  const expectedChallenge = await takeQuestion(event, secret)
  const known = await findPasskey(database.db, answer.id)
  const refused = () =>
    problemError(401, 'This passkey is not known here: it may have been taken away. Sign in with your password.')
  if (!known) throw refused()
  const { verified, authenticationInfo } = await verifyAuthenticationResponse({
    ...{
      response: answer as unknown as AuthenticationResponseJSON,
      expectedChallenge,
      expectedRPID: rpID,
      expectedOrigin: origin,
    },
    credential: {
      ...{ id: known.id, counter: known.counter },
      publicKey: new Uint8Array(Buffer.from(known.publicKey, 'base64url')),
    },
  }).catch(() => {
    throw refused()
  })
  if (!verified) throw refused()
  await signInLimits.forget(tried)
  const channelId = await requireAnyChannel(database.db, known.personId)
  await notePasskeyUse(database.db, known.id, authenticationInfo.newCounter, new Date())
  await startSession(event, known.personId, channelId)
  setResponseStatus(event, 204)
  return null
})
