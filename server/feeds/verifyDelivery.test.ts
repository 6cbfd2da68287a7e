import { Webhook } from 'standardwebhooks'
import { describe, expect, it } from 'vitest'
import { verifyDelivery } from './verifyDelivery.ts'

const secret = `whsec_${Buffer.from('twenty-four bytes or so.').toString('base64')}`
const body = '{"notices":[]}'

function signed(at = new Date(), of = body, by = secret) {
  return {
    id: 'msg-1',
    timestamp: String(Math.floor(at.getTime() / 1000)),
    signature: new Webhook(by).sign('msg-1', at, of),
  }
}

describe('verifyDelivery', () => {
  it('accepts what was signed with the secret, also beside other signatures', () => {
    expect(verifyDelivery(secret, body, signed())).toEqual({ ok: true, value: 'msg-1' })
    const { signature, ...rest } = signed()
    expect(verifyDelivery(secret, body, { ...rest, signature: `v1,AAAA ${signature}` }).ok).toBe(true)
  })

  it.each([
    ['no headers', { id: undefined, timestamp: undefined, signature: undefined }],
    ['another body', signed(new Date(), '{"notices":[1]}')],
    ['another secret', signed(new Date(), body, `whsec_${Buffer.from('somebody else’s secret!').toString('base64')}`)],
    ['an old one', signed(new Date(Date.now() - 6 * 60_000))],
    ['one from the future', signed(new Date(Date.now() + 6 * 60_000))],
    ['a time that is none', { ...signed(), timestamp: 'yesterday' }],
    ['a signature without a body', { ...signed(), signature: 'v1' }],
    ['a version that is not known', { ...signed(), signature: signed().signature.replace('v1,', 'v9,') }],
    ['an endless id', { ...signed(), id: 'x'.repeat(1000) }],
  ])('refuses %s, in words', (_what, headers) => {
    const result = verifyDelivery(secret, body, headers)
    expect(result.ok).toBe(false)
    if (!result.ok) expect(result.error.length).toBeGreaterThan(10)
  })
})
