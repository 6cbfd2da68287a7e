import { generateRegistrationOptions } from '@simplewebauthn/server'
import { defineEventHandler } from 'h3'
import { keepQuestion, siteOf } from '../../../auth/passkeys.ts'
import { useSignIn } from '../../../auth/port.ts'
import { findPerson } from '../../../db/queries/members.ts'
import { listPasskeys } from '../../../db/queries/passkeys.ts'
import { withPeople } from '../../../people/surroundings.ts'

/** Asks a device of the person to make a key. */
export default defineEventHandler(async (event) => {
  const { db, session } = await withPeople(event, 'desk')
  const { secret } = await useSignIn()
  const [person, known] = await Promise.all([findPerson(db, session.person.id), listPasskeys(db, session.person.id)])
  const options = await generateRegistrationOptions({
    rpName: 'Thundercrest',
    rpID: siteOf(event).rpID,
    userID: new TextEncoder().encode(session.person.id),
    userName: person?.email ?? session.person.name,
    userDisplayName: session.person.name,
    // The same device is not asked twice.
    excludeCredentials: known.map(({ id }) => ({ id })),
    // Whoever signs in with it types no name: the device knows who they are.
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  })
  await keepQuestion(event, options.challenge, secret)
  return options
})
