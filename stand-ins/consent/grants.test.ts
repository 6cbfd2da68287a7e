import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { accountOf, exchange, grantCode } from './grants.ts'

const verifier = 'v'.repeat(43)
const challenge = createHash('sha256').update(verifier).digest('base64url')
const granted = {
  platform: 'alder',
  account: 'lantern-loaf',
  clientId: 'thundercrest',
  redirectUri: 'http://127.0.0.1/back',
  challenge,
}
const asked = (code: string) => ({
  platform: 'alder',
  code,
  clientId: 'thundercrest',
  redirectUri: 'http://127.0.0.1/back',
  verifier,
})

describe('a code of a simulated platform', () => {
  it('is exchanged once, for the account that allowed it', () => {
    const code = grantCode(granted, 0)
    const token = exchange(asked(code), 1000) ?? ''
    expect(accountOf('alder', token)).toBe('lantern-loaf')
    expect(accountOf('birch', token)).toBeNull()
    expect(exchange(asked(code), 1000)).toBeNull()
  })
  it.each([
    ['without the verifier that made the challenge', { verifier: 'w'.repeat(43) }, 0],
    ['for another address', { redirectUri: 'http://127.0.0.1/elsewhere' }, 0],
    ['by another program', { clientId: 'somebody' }, 0],
    ['on another platform', { platform: 'birch' }, 0],
    ['too late', {}, 61_000],
  ])('is not exchanged %s', (_what, changes, atMs) => {
    const code = grantCode(granted, 0)
    expect(exchange({ ...asked(code), ...changes }, atMs)).toBeNull()
    // And is used up by the attempt.
    expect(exchange(asked(code), 1000)).toBeNull()
  })
})
