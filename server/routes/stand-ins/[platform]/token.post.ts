import { defineEventHandler, setResponseHeader, setResponseStatus } from 'h3'
import { exchange } from '../../../../stand-ins/consent/grants.ts'
import { readForm } from '../../../standIns/consent.ts'
import { knownPlatform } from '../../../standIns/knownPlatform.ts'

/** The simulated platform's token endpoint (RFC 6749 § 4.1.3, RFC 7636 § 4.5). */
export default defineEventHandler(async (event) => {
  const platform = knownPlatform(event)
  const {
    grant_type: type,
    code = '',
    client_id: clientId = '',
    redirect_uri: redirectUri = '',
    code_verifier: verifier = '',
  } = await readForm(event)
  const token =
    type === 'authorization_code' ? exchange({ platform, code, clientId, redirectUri, verifier }, Date.now()) : null
  setResponseHeader(event, 'cache-control', 'no-store')
  if (token) return { access_token: token, token_type: 'bearer', scope: 'events' }
  setResponseStatus(event, 400)
  return { error: type === 'authorization_code' ? 'invalid_grant' : 'unsupported_grant_type' }
})
