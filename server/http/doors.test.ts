import type { IncomingMessage } from 'node:http'
import { readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { isPage } from './pages.ts'
import { lookAtCaller } from './caller.ts'
import { rulesOf } from './hostRules.ts'
import { isKnownHost } from './knownHost.ts'

const rules = rulesOf({
  HOST: 'bakery',
  THUNDERCREST_ADDRESSES: ['https://alerts.example:8443/'],
  THUNDERCREST_PROXIES: ['10.0.0.0/8', '::1'],
})

describe('isKnownHost', () => {
  it.each([
    '127.0.0.1:4410',
    'localhost:4410',
    '[::1]:4410',
    '192.168.1.20',
    'bakery:4410',
    'alerts.example',
    'ALERTS.example.:443',
  ])('knows %s', (host) => expect(isKnownHost(host, rules)).toBe(true))
  it.each([
    'evil.example',
    'alerts.example.evil.example',
    '127.0.0.1.evil.example',
    '',
    undefined,
    'a b',
    'x@localhost',
    '0x7f.1.evil',
  ])('does not know %s', (host) => expect(isKnownHost(host, rules)).toBe(false))
})

describe('lookAtCaller', () => {
  const request = (remoteAddress: string, headers: Record<string, string>) =>
    ({ socket: { remoteAddress }, headers: { host: 'localhost:4410', ...headers } }) as unknown as IncomingMessage

  it('is of this machine only where nobody passed it on and it was meant for it', () => {
    const look = (remote: string, headers: Record<string, string>) =>
      lookAtCaller(request(remote, headers), rules.proxies).isOfThisMachine
    expect(look('127.0.0.1', {})).toBe(true)
    expect(look('::ffff:127.0.0.1', { host: '127.0.0.1' })).toBe(true)
    expect(look('127.0.0.1', { 'x-forwarded-for': '127.0.0.1' })).toBe(false)
    expect(look('127.0.0.1', { via: '1.1 somebody' })).toBe(false)
    expect(look('127.0.0.1', { host: 'alerts.example' })).toBe(false)
    expect(look('192.168.1.7', {})).toBe(false)
  })

  it('believes what a trusted proxy says, from the right, and nobody else', () => {
    const said = { 'x-forwarded-for': '1.2.3.4, 203.0.113.9, 10.0.0.7', 'x-forwarded-proto': 'https' }
    expect(lookAtCaller(request('10.1.1.1', { ...said }), rules.proxies).address).toBe('203.0.113.9')
    const foreign = request('203.0.113.5', { ...said })
    expect(lookAtCaller(foreign, rules.proxies)).toMatchObject({ address: '203.0.113.5', isForwarded: true })
    expect(foreign.headers['x-forwarded-proto']).toBeUndefined()
  })
})

describe('isPage', () => {
  it('knows every page that there is', () => {
    const names = readdirSync(new URL('../../app/pages', import.meta.url), { recursive: true, encoding: 'utf8' })
    const paths = names
      .filter((name) => name.endsWith('.vue'))
      .map(
        (name) =>
          `/${name
            .replace(/\.vue$/, '')
            .replace(/(^|\/)index$/, '')
            .replace('[id]', 'box-1')}`,
      )
    expect(paths.length).toBeGreaterThan(8)
    expect(paths.filter((path) => !isPage(path))).toEqual([])
    expect(['/', '/boxes/', '/boxes/box-1?part=x'].every(isPage)).toBe(true)
  })
  it.each(['/nothing', '/boxes/a/b/c', '/wp-login.php', '/desk/x'])('knows that %s is none', (path) =>
    expect(isPage(path)).toBe(false),
  )
})
