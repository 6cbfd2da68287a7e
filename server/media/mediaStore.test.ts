import { createHash } from 'node:crypto'
import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Bucket } from '../../test/arrange/bucket.ts'
import { FolderStore } from './folderStore.ts'
import type { MediaStore } from './mediaStore.ts'
import { S3Store } from './s3Store.ts'

const folder = mkdtempSync(join(tmpdir(), 'thundercrest-store-'))
const bucket = new Bucket()
const settings = { region: 'here', accessKeyId: 'key', secretAccessKey: 'secret' }
afterAll(() => {
  rmSync(folder, { recursive: true, force: true })
  bucket.stop()
})

/** What every store must do. */
describe.each<[string, () => Promise<MediaStore>]>([
  ['a folder', () => Promise.resolve(new FolderStore(join(folder, 'media')))],
  ['a bucket', async () => new S3Store({ ...settings, bucketUrl: await bucket.start() })],
])('media in %s', (_where, open) => {
  let store: MediaStore
  const bytes = Buffer.from('ten letter')
  const id = createHash('sha256').update(bytes).digest('hex')
  beforeAll(async () => {
    store = await open()
  })

  it('is not there before it is put', async () =>
    expect([await store.read(id), await store.size(id)]).toEqual([null, null]))
  it('is named by its content and stored once', async () => {
    expect([await store.put(bytes), await store.put(Buffer.from(bytes))]).toEqual([id, id])
    expect(await store.read(id)).toEqual(bytes)
    expect(await store.size(id)).toBe(10)
  })
  it('is whole where many put it at once', async () => {
    const many = Buffer.alloc(300_000, 7)
    const ids = await Promise.all(Array.from({ length: 20 }, () => store.put(many)))
    expect(new Set(ids).size).toBe(1)
    expect(await store.size(ids[0] ?? '')).toBe(many.length)
    await store.remove(ids[0] ?? '')
  })
  it('comes whole or in part', async () => {
    expect((await buffer(await store.stream(id, null))).toString()).toBe('ten letter')
    expect((await buffer(await store.stream(id, { first: 4, last: 6 }))).toString()).toBe('let')
  })
  it('is gone once removed, and may be removed twice', async () => {
    await store.remove(id)
    await store.remove(id)
    expect(await store.read(id)).toBeNull()
  })
  it('is asked for by nothing but a hash', async () => {
    for (const path of ['../secret', '', 'A'.repeat(64)])
      await expect(Promise.resolve().then(() => store.read(path))).rejects.toThrow('64 hexadecimal')
  })
})

describe('a folder', () => {
  it('keeps no half files', () => expect(readdirSync(join(folder, 'media'))).toEqual([]))
})

describe('a bucket', () => {
  it('that refuses says so instead of losing a file', async () => {
    const { port } = new URL(await new Bucket().start())
    const stranger = new S3Store({ ...settings, accessKeyId: 'stranger', bucketUrl: `http://127.0.0.1:${port}/alerts` })
    await expect(stranger.put(Buffer.from('x'))).rejects.toThrow('403')
  })
})
