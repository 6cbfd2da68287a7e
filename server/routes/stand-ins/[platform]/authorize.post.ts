import { defineEventHandler, sendRedirect } from 'h3'
import { grantCode } from '../../../../stand-ins/consent/grants.ts'
import { checkedAuthorisation, readForm } from '../../../standIns/consent.ts'

/** Somebody allowed it, or refused: back to the program that asked. */
export default defineEventHandler(async (event) => {
  const form = await readForm(event)
  const { platform, request } = checkedAuthorisation(event, form)
  const back = new URL(request.redirect_uri)
  back.searchParams.set('state', request.state)
  const account = form.account?.trim() ?? ''
  if (form.answer !== 'allow' || !/^[\w-]{1,60}$/.test(account)) back.searchParams.set('error', 'access_denied')
  else
    back.searchParams.set(
      'code',
      grantCode(
        {
          platform,
          account,
          clientId: request.client_id,
          redirectUri: request.redirect_uri,
          challenge: request.code_challenge,
        },
        Date.now(),
      ),
    )
  return sendRedirect(event, back.href, 303)
})
