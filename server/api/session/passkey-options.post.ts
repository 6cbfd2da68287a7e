import { generateAuthenticationOptions } from '@simplewebauthn/server'
import { defineEventHandler } from 'h3'
import { keepQuestion, siteOf } from '../../auth/passkeys.ts'
import { useSignIn } from '../../auth/port.ts'

/** Asks whichever device is there who its owner is. Nothing of who has an account here is told. */
export default defineEventHandler(async (event) => {
  const { secret } = await useSignIn()
  const options = await generateAuthenticationOptions({ rpID: siteOf(event).rpID, userVerification: 'required' })
  await keepQuestion(event, options.challenge, secret)
  return options
})
