import { browserSupportsWebAuthn, WebAuthnError } from '@simplewebauthn/browser'
import { wordsOf } from '../../api/request.ts'

/** Why no passkey can be used where this page is; empty: one can. */
export function passkeyTrouble(): string {
  const { hostname } = window.location
  // WebAuthn knows sites by their names: an address of numbers is none.
  if (/^[\d.]+$|^\[/.test(hostname))
    return 'Passkeys need this server to be reached by a name, such as localhost or alerts.example, and not by numbers.'
  if (!window.isSecureContext) return 'Passkeys need a connection over https.'
  return browserSupportsWebAuthn() ? '' : 'This browser knows no passkeys.'
}

/** What to tell a person of what went wrong on the way to their device and back. */
export function passkeyWords(error: unknown): string {
  if (error instanceof WebAuthnError && error.code === 'ERROR_AUTHENTICATOR_PREVIOUSLY_REGISTERED')
    return 'This device has a passkey for you already.'
  if (error instanceof Error && error.name === 'NotAllowedError')
    return 'It was called off, or took too long. Nothing has changed.'
  return wordsOf(error)
}
