import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Logger } from 'pino'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import { measureFile } from '../media/measure/measureFile.ts'
import { Refusal } from '../media/measure/refusal.ts'
import { outsideEmoteUrl, ownEmoteUrl, withOwnEmotes } from './emoteAddress.ts'
import { EmoteShelf } from './emoteShelf.ts'
import { fetchOutside } from './fetchOutside.ts'
import { isPublicAddress, lookupPublic } from './publicAddress.ts'

describe('the address of an emote', () => {
  const url = 'https://cedar.example/loaf.png?a=1'
  it('is one of this server, that it alone can make', () => {
    const own = ownEmoteUrl(url, 'secret')
    const [, , seal = '', address = ''] = own.split('/')
    expect(outsideEmoteUrl(seal, address, 'secret')).toBe(url)
    expect(outsideEmoteUrl(seal, address, 'another')).toBeNull()
    expect(outsideEmoteUrl(seal, Buffer.from('http://127.0.0.1/').toString('base64url'), 'secret')).toBeNull()
    expect(ownEmoteUrl('data:image/png;base64,AAAA', 'secret')).toBe('data:image/png;base64,AAAA')
  })
  it('stands in words and among particles', () => {
    const show = {
      score: {
        parts: [
          { kind: 'line', pieces: [{ text: 'a ' }, { text: 'loaf', emoteUrl: url }] },
          { kind: 'particles', sprites: [{ form: 'star', ink: '#fff' }, { emoteUrl: url }] },
          { kind: 'sound' },
        ],
      },
    } as unknown as PlayToShow
    expect(JSON.stringify(withOwnEmotes(show, () => '/emotes/x'))).not.toContain('cedar.example')
  })
})

describe('what is asked of the outside', () => {
  it.each([
    '127.0.0.1',
    '10.2.3.4',
    '169.254.169.254',
    '192.168.0.9',
    '::1',
    'fd00::1',
    '::ffff:127.0.0.1',
    '::ffff:7f00:1',
    '0.0.0.0',
    '100.100.0.1',
    '::7f00:1',
    '64:ff9b::7f00:1',
    'x',
  ])('is never %s', (address) => expect(isPublicAddress(address)).toBe(false))
  it('may be an address of the open net', () =>
    expect(['9.9.9.9', '2606:4700::1111'].map(isPublicAddress)).toEqual([true, true]))
  it('is no name that leads inside, and no address of a machine here in whatever figures', async () => {
    await expect(
      new Promise((resolve, reject) =>
        lookupPublic('localhost', {}, (error, address) => (error ? reject(error) : resolve(address))),
      ),
    ).rejects.toThrow('no public address')
    for (const url of [
      'http://127.0.0.1/',
      'http://2130706433/',
      'http://0x7f.1/',
      'http://[::1]/',
      'http://localhost/',
      'file:///etc/passwd',
      'http://a:b@9.9.9.9/',
      'http://9.9.9.9:22/',
    ])
      await expect(fetchOutside(url, { maxBytes: 100, withinMs: 500 }), url).rejects.toThrow()
  })
})

describe('EmoteShelf', () => {
  const folder = mkdtempSync(join(tmpdir(), 'thundercrest-emotes-'))
  const picture = readFileSync(new URL('../../test/media/files/moving.gif', import.meta.url))
  const answers: Record<string, () => { status?: number; body?: Buffer | string; to?: string }> = {
    '/loaf.gif': () => ({ body: picture }),
    '/page.gif': () => ({ body: '<!doctype html><script>alert(1)</script>' }),
    '/huge.gif': () => ({ body: Buffer.alloc(2_000_000, 7) }),
    '/gone.gif': () => ({ status: 404 }),
    '/inside.gif': () => ({ status: 302, to: 'http://169.254.169.254/latest/meta-data' }),
  }
  let platform: Server
  let requests: string[] = []
  const at = (path: string) => `http://127.0.0.1:${(platform.address() as AddressInfo).port}${path}`
  beforeAll(async () => {
    platform = createServer((request, response) => {
      requests.push(request.url ?? '')
      const { status = 200, body = '', to } = answers[request.url ?? '']?.() ?? { status: 404 }
      response.writeHead(status, to ? { location: to } : {}).end(body)
    })
    await new Promise<void>((resolve) => platform.listen(0, '127.0.0.1', resolve))
  })
  afterAll(() => {
    platform.close()
    rmSync(folder, { recursive: true, force: true })
  })
  const shelf = (bytesMost?: number) =>
    new EmoteShelf({
      folder: join(folder, 'shelf'),
      logger: { info: vi.fn() } as unknown as Logger,
      measure: async (path) =>
        measureFile(readFileSync(path)).then(
          (measurement) => ({ ok: true as const, measurement }),
          (error: unknown) => ({
            ok: false as const,
            reason: error instanceof Refusal ? error.reason : 'damaged',
            advice: '',
            canDecodeInBrowser: false,
          }),
        ),
      // The platform of this test lies on this machine.
      limits: { maxBytes: 1024 * 1024, withinMs: 2000, isAllowed: (address) => address === '127.0.0.1' },
      ...(bytesMost ? { bytesMost } : {}),
    })

  it('fetches a picture once, however often it is asked for, and has it after a restart', async () => {
    requests = []
    const emotes = shelf()
    const got = await Promise.all(Array.from({ length: 20 }, () => emotes.read(at('/loaf.gif'))))
    expect(got.map((emote) => emote?.mime)).toEqual(Array.from({ length: 20 }, () => 'image/gif'))
    expect((await shelf().read(at('/loaf.gif')))?.bytes.equals(picture)).toBe(true)
    expect(requests).toEqual(['/loaf.gif'])
  })
  it('has nothing of what is no picture, too large, gone, or leads inside; and does not ask again at once', async () => {
    const emotes = shelf()
    for (const path of ['/page.gif', '/huge.gif', '/gone.gif', '/inside.gif'])
      expect(await emotes.read(at(path)), path).toBeNull()
    requests = []
    expect(await emotes.read(at('/gone.gif'))).toBeNull()
    expect(requests).toEqual([])
  })
  it('keeps no more than it may', async () => {
    const emotes = shelf(picture.length * 2)
    for (let index = 0; index < 5; index++) {
      answers[`/copy-${index}.gif`] = () => ({ body: picture })
      expect(await emotes.read(at(`/copy-${index}.gif`))).not.toBeNull()
    }
    requests = []
    expect(await emotes.read(at('/copy-4.gif'))).not.toBeNull()
    await emotes.read(at('/copy-0.gif'))
    expect(requests).toEqual(['/copy-0.gif'])
  })
})
