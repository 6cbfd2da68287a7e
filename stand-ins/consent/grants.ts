import { createHash, randomBytes } from 'node:crypto'

/*
 * What a simulated platform keeps of OAuth 2.0: authorisation codes (RFC 6749 § 4.1, PKCE after RFC 7636) and what they were
 * exchanged for. Of one process and its memory; a code lives a minute and works once.
 */

interface Grant {
  platform: string
  account: string
  clientId: string
  redirectUri: string
  challenge: string
  expiresAtMs: number
}

/** The one program that is registered with the simulated platforms. */
export const registeredClient = 'thundercrest'

const codeLivesMs = 60_000
const keptMax = 1000
const codes = new Map<string, Grant>()
const tokens = new Map<string, { platform: string; account: string }>()

function keep<Value>(map: Map<string, Value>, value: Value): string {
  const key = randomBytes(24).toString('base64url')
  map.set(key, value)
  for (const oldest of map.keys()) {
    if (map.size <= keptMax) break
    map.delete(oldest)
  }
  return key
}

/** A code for what somebody allowed. */
export const grantCode = (grant: Omit<Grant, 'expiresAtMs'>, nowMs: number): string =>
  keep(codes, { ...grant, expiresAtMs: nowMs + codeLivesMs })

export interface TokenRequest {
  platform: string
  code: string
  clientId: string
  redirectUri: string
  verifier: string
}

/**
 * Exchanges a code for a token; null where anything about it does not fit. Whatever comes of it, the code is used up.
 */
export function exchange(
  { platform, code, clientId, redirectUri, verifier }: TokenRequest,
  nowMs: number,
): string | null {
  const grant = codes.get(code)
  codes.delete(code)
  const challenge = createHash('sha256').update(verifier).digest('base64url')
  const fits =
    grant &&
    grant.expiresAtMs > nowMs &&
    grant.platform === platform &&
    grant.clientId === clientId &&
    grant.redirectUri === redirectUri &&
    grant.challenge === challenge
  return fits ? keep(tokens, { platform, account: grant.account }) : null
}

/** Whose account a token is for; null for one that is not of this platform. */
export function accountOf(platform: string, token: string): string | null {
  const known = tokens.get(token)
  return known?.platform === platform ? known.account : null
}
