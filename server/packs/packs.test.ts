import { createHash } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import yazl from 'yazl'
import { starterAlert } from '../../core/composition/starter.ts'
import { lanternLook } from '../../core/look/lanternLook.ts'
import {
  manifestText,
  neededMedia,
  readManifest,
  manifestVersion,
  versionOf,
  type Manifest,
} from '../../core/pack/manifest.ts'
import { openGate } from '../../core/gate/schema.ts'
import { newTrigger } from '../../core/triggers/schema.ts'
import { openPack } from './readPack.ts'
import { writePack } from './writePack.ts'
import { plainBox } from '../../core/composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const files = [Buffer.from('a lantern, drawn'), Buffer.from('an oven bell, rung')]
const idOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')
const [picture, sound] = files.map(idOf) as [string, string]
const packed: Manifest = {
  format: 'thundercrest.pack',
  version: 1,
  id: 'night-counter',
  release: '1.0.0',
  name: 'Night counter',
  author: 'Bram Quill',
  licence: 'CC0-1.0',
  about: 'Warm words and a lantern.',
  box: plainBox(canvas, [starterAlert('follow', canvas, { pictureId: picture, soundId: sound })]),
  media: files.map((bytes, index) => ({
    id: idOf(bytes),
    file: `media/${idOf(bytes)}`,
    name: ['Lantern', 'Oven bell'][index] ?? '',
    kind: index === 0 ? ('picture' as const) : ('sound' as const),
    mime: index === 0 ? 'image/png' : 'audio/wav',
    sizeBytes: bytes.length,
    licence: 'CC0-1.0',
  })),
  dials: [
    {
      id: 'warmth',
      kind: 'colour',
      label: 'Warmth',
      about: '',
      group: '',
      initial: '#FFC247',
      bindings: [{ path: 'look.palette.accent', transform: { as: 'same' } }],
    },
  ],
}
const store = {
  stream: (id: string) =>
    Promise.resolve(Readable.from([files.find((bytes) => idOf(bytes) === id) ?? Buffer.alloc(0)])),
}
const zipped = (manifest: Manifest) => buffer(writePack(manifest, store))
const rezipped = async (text: string, entries: readonly { name: string; bytes: Buffer; mode?: number }[]) => {
  const zip = new yazl.ZipFile()
  zip.addBuffer(Buffer.from(text), 'manifest.json')
  for (const { name, bytes, mode } of entries) zip.addBuffer(bytes, name, mode === undefined ? {} : { mode })
  zip.end()
  return buffer(zip.outputStream as Readable)
}
const media = packed.media.map(({ file }, index) => ({ name: file, bytes: files[index] ?? Buffer.alloc(0) }))

let folder = ''
let count = 0
beforeAll(() => void (folder = mkdtempSync(join(tmpdir(), 'thundercrest-packs-'))))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
async function opened(bytes: Buffer) {
  const path = join(folder, `${count++}.zip`)
  writeFileSync(path, bytes)
  return openPack(path)
}

describe('a pack', () => {
  it('comes out as it went in, to the byte, and again', async () => {
    const first = await zipped(packed)
    const pack = await opened(first)
    if (!pack.ok) throw new Error(pack.error)
    expect(pack.value).toMatchObject({ manifest: packed, leftAside: [] })
    expect(await Promise.all(pack.value.manifest.media.map((each) => pack.value.read(each)))).toEqual(files)
    pack.value.close()
    expect((await zipped(pack.value.manifest)).equals(first)).toBe(true)
  })
  it('needs what its parts, offers and seasons name', () => {
    const season = {
      id: 'frost',
      from: '12-01',
      to: '01-06',
      look: lanternLook,
      swaps: [{ from: picture, to: 'c'.repeat(64) }],
    }
    expect(neededMedia({ ...packed.box, seasons: [season] })).toEqual([picture, sound, 'c'.repeat(64)].sort())
    const read = readManifest(JSON.stringify({ ...packed, box: { ...packed.box, seasons: [season] } }))
    expect(read.ok ? '' : read.error).toBe('The pack needs a file that it does not bring.')
  })
  it('brings triggers without what is its channel’s alone, and needs the sounds that they play', async () => {
    const sheet = {
      do: 'inTurn' as const,
      of: [{ do: 'sound' as const, boxId: 'pack', mediaId: sound, trimDb: 0 }],
    }
    const bell = { ...newTrigger('bell', 'Ring the bell'), sheet }
    const bringing = { ...packed, version: 2, triggers: [bell] }
    expect([versionOf(packed), versionOf(bringing)]).toEqual([1, 2])
    const pack = await opened(await zipped(bringing))
    expect(pack.ok && pack.value.manifest).toEqual(bringing)
    if (pack.ok) pack.value.close()
    const priced = { ...bell, isArmed: true, gate: { ...openGate, cost: 500 } }
    const read = readManifest(JSON.stringify({ ...bringing, triggers: [priced] }))
    expect(read.ok && read.value.triggers).toEqual([bell])
    expect(neededMedia(plainBox(canvas, []), [], [bell])).toEqual([sound])
    const absent = readManifest(JSON.stringify({ ...bringing, media: packed.media.slice(0, 1) }))
    expect(absent.ok ? '' : absent.error).toContain('that it does not bring')
  })
  it('may hold more than it names; that is left where it is', async () => {
    const pack = await opened(
      await rezipped(manifestText(packed), [...media, { name: 'notes/read me.txt', bytes: Buffer.from('hello') }]),
    )
    expect(pack.ok && pack.value.leftAside).toEqual(['notes/read me.txt'])
    if (pack.ok) pack.value.close()
  })
})

/** A box with as many parts as an alert can have. */
function crowded(box: Manifest['box']): Manifest['box'] {
  const copy = structuredClone(box)
  for (const alert of copy.alerts)
    for (const { composition } of alert.variations) {
      const [part] = composition.parts.filter(({ id }) => id === 'headline')
      while (part && composition.parts.length < 200)
        composition.parts.push({ ...structuredClone(part), id: `part-${composition.parts.length}` })
    }
  return copy
}

/** The same bytes with a name of the same length in the place of another: what no program writes. */
const renamed = (zip: Buffer, from: string, to: string) =>
  Buffer.from(zip.toString('latin1').replaceAll(from, to), 'latin1')

describe('a zip that is no good pack is refused with its reason', () => {
  it.each<[string, () => Buffer | Promise<Buffer>, string]>([
    ['no zip at all', () => Buffer.from('hello, I am no zip'), 'no zip, or is damaged'],
    ['cut off', async () => (await zipped(packed)).subarray(0, -60), 'no zip, or is damaged'],
    [
      'without a manifest',
      async () => renamed(await zipped(packed), 'manifest.json', 'manifesto.txt'),
      'no manifest.json',
    ],
    ['a manifest that is no JSON', () => rezipped('{', media), 'not JSON'],
    ['a manifest that is nested without end', () => rezipped('['.repeat(4_000_000), media), 'nested more than'],
    [
      'a dial that turns everything, a hundred times',
      () =>
        rezipped(
          JSON.stringify({
            ...packed,
            box: crowded(packed.box),
            dials: [
              {
                ...packed.dials[0],
                bindings: Array.from({ length: 100 }, (_, index) => ({
                  path: `alerts.${'*.'.repeat(index % 2 === 0 ? 8 : 7)}*`,
                  transform: { as: 'same' },
                })),
              },
            ],
          }),
          media,
        ),
      'more places than a pack has',
    ],
    ['the manifest of something else', () => rezipped('{"name":"x"}', media), 'not the manifest of a pack'],
    [
      'made with a newer program',
      () => rezipped(JSON.stringify({ ...packed, version: manifestVersion + 1 }), media),
      'newer Thundercrest',
    ],
    [
      'with newer alerts',
      () => rezipped(JSON.stringify({ ...packed, box: { ...packed.box, version: 99 } }), media),
      'newer Thundercrest',
    ],
    [
      'a dial that turns code',
      () =>
        rezipped(
          JSON.stringify({
            ...packed,
            dials: [{ ...packed.dials[0], bindings: [{ path: 'look.palette.accent', transform: { as: 'script' } }] }],
          }),
          media,
        ),
      'dials › 0',
    ],
    ['unknown things in it', () => rezipped(JSON.stringify({ ...packed, script: 'x' }), media), 'manifest.json'],
    ['a file missing', () => rezipped(manifestText(packed), media.slice(1)), '“Lantern” is missing'],
    [
      'a file of another length',
      () =>
        rezipped(manifestText(packed), [
          { name: media[0]?.name ?? '', bytes: Buffer.from('short') },
          ...media.slice(1),
        ]),
      'not as large as the manifest says',
    ],
    [
      'a path upwards',
      async () => renamed(await zipped(packed), `media/${picture}`, `../../${'x'.repeat(64)}`),
      'cannot be read',
    ],
    [
      'an absolute path',
      async () => renamed(await zipped(packed), `media/${picture}`, `/media${picture}`),
      'cannot be read',
    ],
    [
      'backslashes',
      async () => renamed(await zipped(packed), `media/${picture}`, `media\\${picture}`),
      'cannot be read',
    ],
    [
      'a link',
      () =>
        rezipped(manifestText(packed), [
          ...media,
          { name: 'elsewhere', bytes: Buffer.from('/etc/passwd'), mode: 0o120777 },
        ]),
      'a link to somewhere else',
    ],
    [
      'a manifest of nine megabytes',
      () => rezipped(' '.repeat(9 * 1024 * 1024), media),
      '“manifest.json” is too large',
    ],
    [
      'more entries than a pack has',
      () =>
        rezipped(
          manifestText(packed),
          Array.from({ length: 700 }, (_, index) => ({ name: `x/${index}`, bytes: Buffer.alloc(0) })),
        ),
      'at most 600',
    ],
  ])('%s', async (_what, make, words) => {
    const pack = await opened(await make())
    expect(pack.ok ? 'taken' : pack.error).toContain(words)
  })

  it('a file with other content of the same length, where it is read', async () => {
    const other = Buffer.from('A LANTERN, DRAWN')
    const pack = await opened(
      await rezipped(manifestText(packed), [{ name: media[0]?.name ?? '', bytes: other }, ...media.slice(1)]),
    )
    if (!pack.ok) throw new Error(pack.error)
    const [lantern, bell] = pack.value.manifest.media
    await expect(lantern && pack.value.read(lantern)).rejects.toThrow('not the file that the manifest names')
    expect(bell && (await pack.value.read(bell))).toEqual(files[1])
    pack.value.close()
  })
  it('more than it says comes out of a bomb: it ends there', async () => {
    const zip = await rezipped(manifestText({ ...packed, media: packed.media }), [
      { name: media[0]?.name ?? '', bytes: Buffer.alloc(5 * 1024 * 1024) },
      ...media.slice(1),
    ])
    // The directory lies about how large it is.
    const lie = Buffer.alloc(4)
    lie.writeUInt32LE(files[0]?.length ?? 0)
    const truth = Buffer.alloc(4)
    truth.writeUInt32LE(5 * 1024 * 1024)
    const pack = await opened(renamed(zip, truth.toString('latin1'), lie.toString('latin1')))
    if (!pack.ok) throw new Error(pack.error)
    const [lantern] = pack.value.manifest.media
    await expect(lantern && pack.value.read(lantern)).rejects.toThrow('is damaged')
    pack.value.close()
  })
})
